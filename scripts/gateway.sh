# A simulated battery system on this machine, for commissioning without one.

# gateway [FILE]: the house of a job file, or of the first demo job, until Ctrl-C.
gateway() {
  local file=""
  prepare_node
  if [ -n "${1:-}" ]; then
    file=$1
    [[ "$file" = /* ]] || file="$CALLED_FROM/$file"
    [ -f "$file" ] || fail "There is no file $1." "Export a job in Levamen, and name that file."
  fi
  with_lock build build_server
  exec node server/dist/gateway/main.js ${file:+"$file"}
}

# Beside the demo: what it cannot do, the demo does without.
start_gateway() {
  GATEWAY_PID=""
  [ "$DEMO" = true ] && [ "${LEVAMEN_GATEWAY:-on}" != off ] || return 0
  node server/dist/gateway/main.js 9>&- &
  GATEWAY_PID=$!
  note_process gateway "$GATEWAY_PID"
}
end_gateway() { if [ -n "$GATEWAY_PID" ]; then end_process "$GATEWAY_PID"; fi; }
