# Backups by themselves, while the program runs.

# start_backups: daily into a folder, read back, kept for a while; LEVAMEN_BACKUPS says where, off = none. The demo has none unless it is said.
start_backups() {
  local folder=${LEVAMEN_BACKUPS:-}
  BACKUPS_PID=""
  [ "$folder" != off ] || return 0
  if [ -z "$folder" ]; then
    [ "$DEMO" != true ] || return 0
    folder="$STATE/backups"
  fi
  if is_elsewhere && [ -z "$ELSEWHERE_ADMIN" ]; then
    say "No backups are made here: whoever keeps the database makes them. With LEVAMEN_ADMIN_URL, Levamen does."
    return 0
  fi
  [[ "$folder" = /* ]] || folder="$CALLED_FROM/$folder"
  (
    know_cluster
    LEVAMEN_MIGRATION_URL=$(database_url levamen_owner "$DATABASE")
    export LEVAMEN_MIGRATION_URL LEVAMEN_BACKUPS=$folder LEVAMEN_LOG_LEVEL=${LEVAMEN_LOG_LEVEL:-warn}
    # The process itself is what is watched and ended.
    exec node server/dist/backups/main.js
  ) 9>&- &
  BACKUPS_PID=$!
  note_process backups "$BACKUPS_PID"
}

end_backups() { if [ -n "${BACKUPS_PID:-}" ]; then end_process "$BACKUPS_PID"; fi; }

# watch_backups: one that ended by itself is started again, not more than once a minute.
watch_backups() {
  [ -n "${BACKUPS_PID:-}" ] && ! process_runs "$BACKUPS_PID" && [ "$SECONDS" -ge "${BACKUPS_AGAIN:-0}" ] || return 0
  local status=0
  { wait "$BACKUPS_PID" || status=$?; } 2>/dev/null
  if [ "$status" = 2 ]; then
    say "No backups are made: see the message above"
    BACKUPS_PID=""
    return 0
  fi
  BACKUPS_AGAIN=$((SECONDS + 60))
  start_backups
}
