# A PostgreSQL cluster of one's own: PG_HOME holds data, port, password and log.

# PostgreSQL refuses to run as root; root lends it an unprivileged id in a user namespace of its own.
as_plain_user() {
  if [ "$(id -u)" != 0 ]; then
    "$@"
  elif unshare --user --map-user=65534 --map-group=65534 true 2>/dev/null; then
    unshare --user --map-user=65534 --map-group=65534 -- "$@"
  else
    # Where user namespaces are switched off: the account Debian's package has made.
    chown -R postgres: "$PG_HOME"
    runuser -u postgres -- "$@"
  fi
}

create_cluster() {
  say "Creating the database cluster"
  mkdir -p "$PG_HOME"
  chmod 700 "$PG_HOME"
  (umask 077 && node -e 'process.stdout.write(require("crypto").randomBytes(24).toString("hex"))' >"$PG_HOME/password")
  as_plain_user "$PG_BIN/initdb" -D "$PG_HOME/data" -U levamen --auth=scram-sha-256 --pwfile="$PG_HOME/password" \
    -E UTF8 --locale=C.UTF-8 >"$PG_HOME/initdb.log" 2>&1 || {
    tail -5 "$PG_HOME/initdb.log" >&2
    fail "The database cluster could not be created in $PG_HOME." "Check that the disk has room and that the folder may be written, remove $PG_HOME, and run this again."
  }
}

check_cluster() {
  local remedy="Move it away (mv '$PG_HOME' '$PG_HOME.broken') and run this again: a new, empty one is made. Jobs you exported can be imported."
  if [ ! -s "$PG_HOME/data/PG_VERSION" ] || [ ! -s "$PG_HOME/password" ]; then
    fail "The data directory $PG_HOME is damaged or incomplete." "$remedy"
  fi
  local made have
  made=$(cat "$PG_HOME/data/PG_VERSION")
  have=$(basename "$(dirname "$PG_BIN")")
  [ "$made" = "$have" ] || fail "The data directory was made by PostgreSQL $made, but PostgreSQL $have is installed." "Install postgresql-$made, or: $remedy"
}

cluster_runs() { as_plain_user "$PG_BIN/pg_ctl" -D "$PG_HOME/data" status >/dev/null 2>&1; }

# start_cluster HOME [OPTION...]: creates it where it is missing. Sets PG_PORT.
start_cluster() {
  PG_HOME=$1
  shift
  require_postgres
  if [ ! -e "$PG_HOME" ]; then create_cluster; fi
  check_cluster
  if cluster_runs; then
    PG_PORT=$(cat "$PG_HOME/port")
    return
  fi
  PG_PORT=$(free_port "$(cat "$PG_HOME/port" 2>/dev/null || echo 0)")
  printf '%s' "$PG_PORT" >"$PG_HOME/port"
  as_plain_user "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -w -t 60 -l "$PG_HOME/postgres.log" \
    -o "-p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $*" start >"$PG_HOME/start.log" 2>&1 || {
    tail -8 "$PG_HOME/postgres.log" "$PG_HOME/start.log" >&2 || true
    fail "The database did not start (see $PG_HOME/postgres.log)." \
      "If the log speaks of damage: move it away (mv '$PG_HOME' '$PG_HOME.broken') and run this again; exported jobs can be imported."
  }
}

stop_cluster() {
  PG_HOME=$1
  PG_BIN=$(postgres_bin)
  [ -n "$PG_BIN" ] && [ -e "$PG_HOME/data/PG_VERSION" ] || return 0
  if cluster_runs; then as_plain_user "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -m fast -w stop >/dev/null 2>&1 || true; fi
}

database_url() { printf 'postgres://levamen:%s@127.0.0.1:%s/%s' "$(cat "$PG_HOME/password")" "$PG_PORT" "$1"; }

# ensure_database NAME
ensure_database() {
  local sql
  sql=$(PGPASSWORD=$(cat "$PG_HOME/password") "$PG_BIN/psql" -h 127.0.0.1 -p "$PG_PORT" -U levamen -d postgres -v ON_ERROR_STOP=1 -tAc \
    "SELECT 1 FROM pg_database WHERE datname = '$1'") || fail "The database does not accept its password." "Restore $PG_HOME/password, or move $PG_HOME away and run this again."
  [ "$sql" = 1 ] || PGPASSWORD=$(cat "$PG_HOME/password") "$PG_BIN/createdb" -h 127.0.0.1 -p "$PG_PORT" -U levamen "$1"
}
