# Starting and stopping the program.

RUN="$STATE/run"

# running_pid NAME: the process id noted under that name, if it still runs.
running_pid() {
  local pid
  pid=$(cat "$RUN/$1.pid" 2>/dev/null) || return 1
  kill -0 "$pid" 2>/dev/null && printf '%s' "$pid"
}

# end_process PID: asks it to end and waits until it has.
end_process() {
  kill "$1" 2>/dev/null || return 0
  for _ in $(seq 150); do
    kill -0 "$1" 2>/dev/null || return 0
    sleep 0.1
  done
  kill -9 "$1" 2>/dev/null || true
}

open_browser() {
  [ "${LEVAMEN_OPEN:-1}" != 0 ] && [ -n "${DISPLAY:-}${WAYLAND_DISPLAY:-}" ] && command -v xdg-open >/dev/null || return 0
  xdg-open "$1" >/dev/null 2>&1 &
}

wait_until_ready() {
  local pid=$1 url=$2
  for _ in $(seq 150); do
    kill -0 "$pid" 2>/dev/null || return 1
    if node -e 'fetch(process.argv[1]).then((r) => process.exit(r.ok ? 0 : 1), () => process.exit(1))' "$url/api/health" 2>/dev/null; then return 0; fi
    sleep 0.2
  done
  return 1
}

# serve DATABASE DEMO: runs in the foreground until Ctrl-C or ./levamen stop.
serve() {
  local database=$1 demo=$2 port=${LEVAMEN_PORT:-4780} pid
  if pid=$(running_pid server); then
    say "Levamen runs already at $(cat "$RUN/address"). Stop it with: ./levamen stop"
    return
  fi
  [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] ||
    fail "LEVAMEN_PORT=\"$port\" is not a port." "Use a number from 1024 to 65535."
  prepare_node
  port_is_free "$port" ||
    fail "Port $port is in use by another program." "Stop that program, or choose another port: LEVAMEN_PORT=$((port + 1)) ./levamen $([ "$demo" = true ] && echo demo || echo start)"
  build_program
  start_cluster "$STATE/pg"
  ensure_database "$database"
  mkdir -p "$RUN"
  printf '%s' "$$" >"$RUN/launcher.pid"
  local url="http://127.0.0.1:$port"
  LEVAMEN_PORT=$port LEVAMEN_DATABASE_URL=$(database_url "$database") LEVAMEN_DEMO=$demo LEVAMEN_LOG_LEVEL=${LEVAMEN_LOG_LEVEL:-warn} \
    LEVAMEN_WEB_ROOT="$ROOT/web/dist/browser" node server/dist/main.js &
  pid=$!
  printf '%s' "$pid" >"$RUN/server.pid"
  printf '%s' "$url" >"$RUN/address"
  trap 'end_serving '"$pid" EXIT
  trap 'exit 0' INT TERM HUP
  wait_until_ready "$pid" "$url" || fail "The server did not start." "See the messages above."
  say "Levamen is ready: $url   (Ctrl-C stops it)"
  open_browser "$url"
  wait "$pid" || true
}

end_serving() {
  trap - EXIT INT TERM HUP
  kill "$1" 2>/dev/null || true
  wait "$1" 2>/dev/null || true
  stop_cluster "$STATE/pg"
  rm -f "$RUN"/*.pid "$RUN/address"
  say "Levamen has stopped."
}

# The launcher in the other terminal cleans up after itself; what it can no longer do is done here.
stop_all() {
  local pid
  if pid=$(running_pid launcher); then end_process "$pid"; fi
  if pid=$(running_pid server); then end_process "$pid"; fi
  rm -f "$RUN"/*.pid "$RUN/address"
  stop_cluster "$STATE/pg"
  say "Levamen is stopped."
}
