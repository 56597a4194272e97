# Everything into one file, and back.

# with_cluster COMMAND...: on the cluster as it runs, or started for the while.
with_cluster() {
  mkdir -p "$RUN"
  require_postgres
  if is_elsewhere; then
    check_elsewhere
    "$@"
    return
  fi
  plain_way
  PG_HOME=$(cluster_place "$STATE/pg")
  [ -e "$PG_HOME" ] || [ "$1" = restore_from ] || fail "There is no database yet in $STATE." "Start the program once: ./levamen start"
  if ! { [ -e "$PG_HOME" ] && cluster_runs; }; then
    # Nobody may start the program on a cluster that is about to stop again.
    take_launch_lock || fail "Another command is starting or stopping Levamen." "Wait until it is through, then run this again."
    on_exit stop_own_cluster
  fi
  start_cluster "$STATE/pg"
  "$@"
}

# know_cluster: where the cluster and its tools are, for whoever is started from here on; called where nothing else is.
know_cluster() {
  export LEVAMEN_PG_BIN=$PG_BIN LEVAMEN_SCRATCH=$STATE
  LEVAMEN_OWN_DATABASE=$(own_database)
  LEVAMEN_ADMIN_URL=$(database_url levamen postgres)
  LEVAMEN_OWNER_URL=$(database_url levamen_owner postgres)
  export LEVAMEN_OWN_DATABASE LEVAMEN_ADMIN_URL LEVAMEN_OWNER_URL
}

# run_backup WHAT FILE: the work itself, told where the cluster is.
run_backup() (
  know_cluster
  exec node scripts/backup.mjs "$@"
)

backup_everything() {
  local file=$1
  [ -n "$file" ] || fail "No file is named." "Name one: ./levamen backup /somewhere/safe/levamen-$(date +%F).tar"
  [[ "$file" = /* ]] || file="$CALLED_FROM/$file"
  [ ! -e "$file" ] || fail "$file exists already." "Name another file; a backup is never overwritten."
  [ -d "$(dirname "$file")" ] && [ -w "$(dirname "$file")" ] || fail "The folder of $file is not there, or may not be written." "Name a file in a folder of yours."
  prepare_node
  with_cluster backup_to "$file"
}

backup_to() {
  if is_elsewhere; then require_administrator; else ensure_roles; fi
  run_backup backup "$1" || fail "The backup was not made; nothing is left at $1." "Mend what the lines above say, then run this again."
}

# export_everything FOLDER [demo]: all jobs as open files, with everything that belongs to them.
export_everything() {
  local folder=$1 database=levamen
  [ -n "$folder" ] || fail "No folder is named." "Name a new one: ./levamen export /somewhere/safe/levamen-$(date +%F)"
  [[ "$folder" = /* ]] || folder="$CALLED_FROM/$folder"
  case "${2:-}" in
    '') ;;
    demo) database=levamen_demo ;;
    *) fail "\"$2\" is nothing to export." "Leave it out for your own jobs, or write demo." ;;
  esac
  [ ! -e "$folder" ] || [ -z "$(ls -A "$folder" 2>/dev/null)" ] || fail "$folder is not empty." "Name a new folder; nothing in it is overwritten."
  prepare_node
  with_lock build build_server
  with_cluster export_to "$folder" "$database"
}

export_to() {
  is_elsewhere || ensure_database "$2"
  LEVAMEN_DATABASE_URL=$(database_url levamen_owner "$2") node server/dist/export/main.js "$1" ||
    fail "Not everything was written." "Mend what the lines above say, then run this again with a new folder."
}

restore_everything() {
  local file=$1 sure=$2
  [ -n "$file" ] || fail "No file is named." "Name the backup: ./levamen restore FILE"
  [[ "$file" = /* ]] || file="$CALLED_FROM/$file"
  [ -r "$file" ] || fail "$file is not there, or may not be read." "Name a file that ./levamen backup has written."
  prepare_node
  mkdir -p "$RUN"
  take_launch_lock || fail "Levamen is running." "Stop it first: ./levamen stop; then run this again."
  with_cluster restore_from "$file" "$sure"
}

restore_from() {
  if is_elsewhere; then require_administrator; else ensure_roles; fi
  run_backup restore "$1" "$2" || fail "Nothing was replaced." "Mend what the lines above say, then run this again."
}

# drop_scratch: what a backup that was cut short left of its trial.
drop_scratch() {
  as_administrator -d postgres <<'SQL'
SELECT format('DROP DATABASE %I WITH (FORCE)', datname) FROM pg_database WHERE datname LIKE 'levamen\_scratch\_%' \gexec
SQL
}
