# Starting, watching and stopping the program.

RUN="$STATE/run"

open_browser() {
  [ "${LEVAMEN_OPEN:-1}" != 0 ] && [ -n "${DISPLAY:-}${WAYLAND_DISPLAY:-}" ] && command -v xdg-open >/dev/null || return 0
  xdg-open "$1" >/dev/null 2>&1 9>&- &
}

# somebody_listens URL: asked of the shell itself; a program that is being started is asked often, and has need of the processor.
somebody_listens() {
  local address=${1#*://}
  (exec 3<>"/dev/tcp/${address%:*}/${address##*:}") 2>/dev/null
}

# A certificate of one's own is no reason not to ask one's own program how it is.
answers() { somebody_listens "$1" && NODE_TLS_REJECT_UNAUTHORIZED=0 node --no-warnings -e 'fetch(process.argv[1]).then((r) => process.exit(r.ok ? 0 : 1), () => process.exit(1))' "$1/api/health" 2>/dev/null; }

# wait_until_ready PID URL: false where the process ends first.
wait_until_ready() {
  local pid=$1 url=$2
  for _ in $(seq 300); do
    process_runs "$pid" || return 1
    if answers "$url"; then return 0; fi
    sleep 0.2
  done
  return 1
}

# whose DATABASE: what somebody at a terminal calls it.
whose() { if [ "$1" = levamen_demo ]; then printf 'the demo jobs'; else printf 'your own jobs'; fi; }
command_for() { if [ "$1" = levamen_demo ]; then printf './levamen demo'; else printf './levamen start'; fi; }

# The one lock of a running program: held by its launcher, let go by the system however the launcher ends.
take_launch_lock() {
  exec 9>"$RUN/launcher.lock"
  flock -n 9
}

# Another launcher holds the lock: waits until its program answers, or takes over where it gives up.
join_running() {
  local database=$1 address open said=false
  for _ in $(seq 900); do
    address=$(cat "$RUN/address" 2>/dev/null || true)
    open=$(cat "$RUN/database" 2>/dev/null || true)
    # The lock of a launcher that was killed may be held for a moment by what it had started.
    if [ -n "$address" ] && running_pid launcher >/dev/null && answers "$address"; then
      [ "$open" = "$database" ] ||
        fail "Levamen runs already at $address, with another database: $(whose "$open")." "Stop it first: ./levamen stop; then $(command_for "$database")"
      say "Levamen runs already at $address, with $(whose "$open"). Stop it with: ./levamen stop"
      return 0
    fi
    if flock -n 9; then return 1; fi
    if [ "$said" = false ]; then
      say "Levamen is being started by another command; waiting for it"
      said=true
    fi
    sleep 1
  done
  fail "Another command has been starting Levamen for a quarter of an hour." "Stop it: ./levamen stop, then run this again."
}

# start_server INDEX: one of LEVAMEN_SERVERS, 0 the first; each has a port of its own.
start_server() {
  local index=$1
  local room=""
  is_elsewhere || room="$PG_HOME/data"
  LEVAMEN_PORT=$((PORT + index)) LEVAMEN_DATABASE_URL=$(database_url levamen_app "$DATABASE") \
    LEVAMEN_MIGRATION_URL=$(database_url levamen_owner "$DATABASE") LEVAMEN_DEMO=$DEMO LEVAMEN_ROOM=$room \
    LEVAMEN_LOG_LEVEL=${LEVAMEN_LOG_LEVEL:-warn} LEVAMEN_WEB_ROOT="$ROOT/web/dist/browser" node server/dist/main.js 9>&- &
  SERVER_PIDS[index]=$!
  note_process "$(server_name "$index")" "${SERVER_PIDS[index]}"
}

# server_name INDEX: under which its process is noted.
server_name() { if [ "$1" = 0 ]; then printf server; else printf 'server-%s' "$(($1 + 1))"; fi; }

# end_left_servers: of a launcher that is gone.
end_left_servers() {
  local file name
  for file in "$RUN"/server*.pid; do
    name=$(basename "$file" .pid)
    if running_pid "$name" >/dev/null; then
      [ "${1:-}" != said ] || say "Ending a server that an earlier launcher left behind"
      end_named "$name"
    fi
  done
}

# own_address PORT: under which this machine reaches the program.
own_address() {
  local scheme=http host=${LEVAMEN_HOST:-127.0.0.1}
  [ -z "${LEVAMEN_TLS_CERT:-}" ] || scheme=https
  case "$host" in 0.0.0.0 | ::) host=127.0.0.1 ;; esac
  printf '%s://%s:%s' "$scheme" "$host" "$1"
}

# shown_address URL: the name it is opened under, where it has one.
shown_address() {
  local name=${LEVAMEN_HOSTS:-}
  name=${name%%,*}
  if [ -z "$name" ]; then printf '%s' "$1"; return; fi
  if [ -n "${LEVAMEN_PROXY:-}" ]; then printf 'https://%s' "$name"; else printf '%s://%s:%s' "${1%%:*}" "$name" "${1##*:}"; fi
}

# serve DATABASE DEMO: runs in the foreground until Ctrl-C or ./levamen stop.
serve() {
  DATABASE=$1 DEMO=$2 PORT=${LEVAMEN_PORT:-4780} SERVERS=${LEVAMEN_SERVERS:-1}
  local url index
  [[ "$SERVERS" =~ ^([1-9]|1[0-6])$ ]] || fail "LEVAMEN_SERVERS=\"$SERVERS\" is no number of servers." "Use a number from 1 to 16."
  if is_elsewhere; then
    [ "$DEMO" != true ] || fail "The demo keeps its jobs in a database of its own." "Leave out LEVAMEN_DATABASE_URL; or run your own jobs there: ./levamen start"
    check_elsewhere
  fi
  [[ "$PORT" =~ ^[0-9]{1,5}$ ]] && [ "$PORT" -ge 1 ] && [ "$PORT" -le 65535 ] ||
    fail "LEVAMEN_PORT=\"$PORT\" is not a port." "Use a number from 1024 to 65535."
  url=$(own_address "$PORT")
  enough_room "$STATE"
  mkdir -p "$RUN"
  if ! take_launch_lock && join_running "$DATABASE"; then return; fi
  end_named gateway
  end_named backups
  end_left_servers said
  rm -f "$RUN"/*.pid "$RUN/address"
  note_process launcher "$$"
  on_exit clear_run
  prepare_node
  for ((index = 0; index < SERVERS; index++)); do
    port_is_free $((PORT + index)) ||
      fail "Port $((PORT + index)) is in use by another program." "Stop that program, or choose another port: LEVAMEN_PORT=$(((PORT + index) % 65535 + 1)) $(command_for "$DATABASE")"
  done
  build_program
  if is_elsewhere; then
    if [ -n "$ELSEWHERE_ADMIN" ]; then require_postgres; fi
  else
    on_exit stop_own_cluster
    start_cluster "$STATE/pg"
    drop_scratch
    ensure_database "$DATABASE"
  fi
  SERVER_PIDS=()
  on_exit end_servers
  GATEWAY_PID=""
  on_exit end_gateway
  BACKUPS_PID=""
  on_exit end_backups
  # From here on, being told to end is no fault.
  trap 'exit 0' INT TERM HUP
  for ((index = 0; index < SERVERS; index++)); do start_server "$index"; done
  printf '%s' "$DATABASE" >"$RUN/database"
  printf '%s' "$url" >"$RUN/address"
  # One that was killed is started again like any other.
  for ((index = 0; index < SERVERS; index++)); do
    wait_until_ready "${SERVER_PIDS[index]}" "$(own_address $((PORT + index)))" || was_killed "${SERVER_PIDS[index]}" || server_gave_up "$index" "The server did not start."
  done
  start_gateway
  start_backups
  say "Levamen is ready: $(shown_address "$url")   It shows $(whose "$DATABASE"). Ctrl-C stops it."
  [ "$SERVERS" = 1 ] || say "$SERVERS servers share the work, at the ports $PORT to $((PORT + SERVERS - 1)); a proxy goes in front: docs/company/nginx.conf"
  open_browser "$url"
  watch_over
}

# was_killed PID: whether a process of this shell ended by a signal.
was_killed() {
  local status=0
  { wait "$1" || status=$?; } 2>/dev/null
  [ "$status" -gt 128 ]
}

# Exit codes with which the server says that starting it again would not help: 3 the port, 4 a database of a newer program.
server_gave_up() {
  local status=0
  { wait "${SERVER_PIDS[$1]}" || status=$?; } 2>/dev/null
  [ "$status" != 4 ] || fail "The database was used by a newer Levamen." "Update this one, or restore a backup made by this version: ./levamen restore FILE"
  fail "$2" "See the messages above."
}

# Starts again what ends by itself, with growing pauses, and says so.
watch_over() {
  local pause=1 index
  # By server: the pause before it is started again, since when it runs.
  PAUSES=() BEGAN=()
  for ((index = 0; index < SERVERS; index++)); do PAUSES[index]=1 BEGAN[index]=$SECONDS; done
  while :; do
    if ! is_elsewhere && ! cluster_runs; then
      say "The database has ended by itself; starting it again"
      if start_cluster_again; then
        pause=1
      else
        say "The database does not start; trying again in $pause s"
        rest "$pause"
        pause=$((pause < 30 ? pause * 2 : 30))
        continue
      fi
    fi
    for ((index = 0; index < SERVERS; index++)); do watch_server "$index"; done
    watch_backups
    rest 1
  done
}

start_cluster_again() {
  local port=$PG_PORT index
  (start_cluster "$STATE/pg") || return 1
  PG_PORT=$(cat "$PG_HOME/port")
  say "The database runs again"
  # The servers find it by its port.
  if [ "$PG_PORT" != "$port" ]; then
    end_servers
    end_backups
  fi
}

# watch_server INDEX: one that ended is started again.
watch_server() {
  local index=$1 status=0
  if process_runs "${SERVER_PIDS[index]}"; then return; fi
  { wait "${SERVER_PIDS[index]}" || status=$?; } 2>/dev/null
  if [ "$status" = 3 ] || [ "$status" = 4 ]; then server_gave_up "$index" "The server cannot go on."; fi
  [ $((SECONDS - BEGAN[index])) -lt 60 ] || PAUSES[index]=1
  say "The server has ended by itself (status $status); starting it again in ${PAUSES[index]} s"
  rest "${PAUSES[index]}"
  PAUSES[index]=$((PAUSES[index] < 30 ? PAUSES[index] * 2 : 30))
  BEGAN[index]=$SECONDS
  start_server "$index"
}

# A pause that a signal ends at once.
rest() {
  sleep "$1" 9>&- &
  wait $! || true
}

end_servers() { local pid; for pid in "${SERVER_PIDS[@]}"; do end_process "$pid"; done; }
stop_own_cluster() { stop_cluster "$STATE/pg"; }
clear_run() {
  rm -f "$RUN"/*.pid "$RUN/address" "$RUN/database"
  say "Levamen has stopped."
}

# The launcher in the other terminal cleans up after itself; what it can no longer do is done here.
stop_all() {
  local name
  for name in launcher gateway backups; do end_named "$name"; done
  end_left_servers
  rm -f "$RUN"/*.pid "$RUN/address" "$RUN/database"
  is_elsewhere || stop_cluster "$STATE/pg"
  say "Levamen is stopped."
}

# work_for_others: takes heavy work from the queue of a database that servers on other machines use, until it is told to stop.
work_for_others() {
  is_elsewhere || fail "No database is named to take work from." "Name it in LEVAMEN_DATABASE_URL and LEVAMEN_MIGRATION_URL. The servers of this machine take their work themselves."
  check_elsewhere
  prepare_node
  with_lock build build_server
  exec node server/dist/work/main.js
}
