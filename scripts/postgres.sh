# A PostgreSQL cluster of one's own: PG_HOME holds data, port, passwords and log.

# PostgreSQL refuses to run as root. Root lends it an unprivileged id in a user namespace of its own; where these are switched
# off (most containers), it runs under the account Debian's package has made. LEVAMEN_DATABASE_AS=account asks for that.
plain_way() {
  if [ -n "${PLAIN_WAY:-}" ]; then return; fi
  if [ "$(id -u)" != 0 ]; then
    PLAIN_WAY=own
  elif [ "${LEVAMEN_DATABASE_AS:-}" != account ] && unshare --user --map-user=65534 --map-group=65534 true 2>/dev/null; then
    PLAIN_WAY=namespace
  else
    PLAIN_WAY=account
    id -u postgres >/dev/null 2>&1 ||
      fail "PostgreSQL may not run as root, and there is no account \"postgres\" to run it." "Install Debian's package postgresql, or run this as an ordinary user."
  fi
}

as_plain_user() {
  plain_way
  # From a folder that account may enter, and without the lock of whoever calls.
  case "$PLAIN_WAY" in
    own) (cd / && exec "$@" 8>&- 9>&-) ;;
    namespace) (cd / && exec unshare --user --map-user=65534 --map-group=65534 -- "$@" 8>&- 9>&-) ;;
    account) (cd / && exec runuser -u postgres -- "$@" 8>&- 9>&-) ;;
  esac
}

# give_to_plain_user FOLDER: whatever way was used before.
give_to_plain_user() {
  case "$PLAIN_WAY" in
    namespace) [ "$(stat -c %u "$1")" = 0 ] || chown -R 0:0 "$1" ;;
    account) [ "$(stat -c %U "$1")" = postgres ] || chown -R postgres: "$1" ;;
  esac
}

# account_place FOLDER: where the cluster of FOLDER lies for an account that may not enter it.
account_place() { printf '/var/lib/levamen/%s' "$(printf '%s' "$1" | sha1sum | cut -c1-12)"; }

# cluster_place FOLDER: where the cluster that belongs to FOLDER lies. An account that may not enter FOLDER (under /root, say)
# gets a place of its own; FOLDER.place remembers it.
cluster_place() {
  local wanted=$1 place
  if [ -s "$wanted.place" ]; then
    cat "$wanted.place"
    return
  fi
  plain_way
  mkdir -p "$(dirname "$wanted")"
  if [ "$PLAIN_WAY" = account ] && ! (cd / && runuser -u postgres -- test -x "$(dirname "$wanted")"); then
    [ ! -e "$wanted/data" ] ||
      fail "The account \"postgres\" may not enter $wanted, where the database lies." \
        "Move the whole folder $ROOT to where every account may enter (/opt, say) and run this there; nothing in it is lost."
    place=$(account_place "$wanted")
    mkdir -p /var/lib/levamen
    chmod 755 /var/lib/levamen
    printf '%s' "$place" >"$wanted.place"
    printf '%s' "$place"
  else
    printf '%s' "$wanted"
  fi
}

new_password() { (umask 077 && node -e 'process.stdout.write(require("crypto").randomBytes(24).toString("hex"))' >"$1"); }

# Made beside and renamed when whole: a start that is interrupted leaves nothing that looks like a cluster.
create_cluster() {
  say "Creating the database cluster"
  local fresh="$PG_HOME.new"
  rm -rf "$fresh"
  mkdir -p "$fresh"
  chmod 700 "$fresh"
  new_password "$fresh/password"
  give_to_plain_user "$fresh"
  as_plain_user "$PG_BIN/initdb" -D "$fresh/data" -U levamen --auth=scram-sha-256 --pwfile="$fresh/password" \
    --data-checksums -E UTF8 --locale=C.UTF-8 >"$fresh/initdb.log" 2>&1 || {
    tail -n 5 "$fresh/initdb.log" >&2
    enough_room "$PG_HOME"
    fail "The database cluster could not be created in $PG_HOME." "Mend what the lines above say, then run this again; an unfinished cluster is made anew."
  }
  mv "$fresh" "$PG_HOME"
}

# free_kb FOLDER: what is left of the disk it lies on.
free_kb() { df -Pk "$1" | awk 'NR == 2 { print $4 }'; }

# Writing what is left of a disk to the last byte ends badly for everybody on it.
enough_room() {
  local folder=$1 free
  while [ ! -e "$folder" ]; do folder=$(dirname "$folder"); done
  free=$(free_kb "$folder")
  [ "${free:-0}" -ge 65536 ] ||
    fail "The disk that holds the database is full ($((free / 1024)) MB free at $folder)." \
      "Free at least 64 MB there, then run this again. The data is whole: do not move or delete anything in $1."
}

check_cluster() {
  if [ ! -s "$PG_HOME/data/PG_VERSION" ]; then
    fail "The data directory $PG_HOME is damaged or incomplete: PG_VERSION is missing from it." \
      "If you have a backup: move it away (mv '$PG_HOME' '$PG_HOME.broken'), then ./levamen restore FILE. Keep the moved folder; do not delete it."
  fi
  [ -s "$PG_HOME/password" ] ||
    fail "The file $PG_HOME/password is missing; the data itself is there." "Put the file back (from a backup of the folder). Do not remove $PG_HOME."
  local made
  made=$(cat "$PG_HOME/data/PG_VERSION")
  PG_BIN=$(postgres_bin "$made")
  [ -n "$PG_BIN" ] ||
    fail "The data directory was made by PostgreSQL $made, which is not installed (installed: $(postgres_versions))." \
      "Install postgresql-$made. To go over to another version: ./levamen backup FILE with $made, move $PG_HOME away, ./levamen restore FILE."
}

# Those processes of PostgreSQL that work in this data directory: whatever a pid file says, nobody else's.
cluster_processes() {
  local data link
  data=$(readlink -f "$PG_HOME/data") || return 0
  for link in /proc/[0-9]*/cwd; do
    if [ "$(readlink "$link" 2>/dev/null)" = "$data" ]; then
      link=${link#/proc/}
      printf '%s ' "${link%/cwd}"
    fi
  done
}

postmaster_pid() {
  local pid=""
  read -r pid 2>/dev/null <"$PG_HOME/data/postmaster.pid" || true
  [[ "$pid" =~ ^[0-9]+$ ]] && [ "$(readlink "/proc/$pid/cwd" 2>/dev/null)" = "$(readlink -f "$PG_HOME/data")" ] && printf '%s' "$pid"
}

cluster_runs() {
  local pid
  pid=$(postmaster_pid)
}

cluster_answers() { "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$PG_PORT" -t 2; }

# A pid file whose process is gone, or is another program that got the same id, keeps PostgreSQL from starting. It is taken
# away only when no process works in the data directory.
clear_stale_pid() {
  [ -e "$PG_HOME/data/postmaster.pid" ] || return 0
  local round
  for round in $(seq 50); do
    [ -n "$(cluster_processes)" ] || { rm -f "$PG_HOME/data/postmaster.pid"; return 0; }
    sleep 0.2
  done
  fail "Processes of an earlier database still work in $PG_HOME: $(cluster_processes)" "Wait until they have ended, or restart this machine; then run this again. The data is whole."
}

ensure_checksums() {
  local facts
  facts=$(LC_ALL=C as_plain_user "$PG_BIN/pg_controldata" "$PG_HOME/data") || return 0
  [[ "$facts" == *"Data page checksum version:"*" 0"* ]] && [[ "$facts" == *"shut down"* ]] || return 0
  as_plain_user "$PG_BIN/pg_checksums" --enable -D "$PG_HOME/data" >/dev/null 2>&1 || true
}

# What the log has said since $1 bytes.
log_since() { tail -c "+$(($1 + 1))" "$PG_HOME/postgres.log" 2>/dev/null || true; }

# explain_start BYTES: why the database did not start. Only what PostgreSQL itself calls damage is called so.
explain_start() {
  local said
  said="$(log_since "$1") $(cat "$PG_HOME/start.log" 2>/dev/null)"
  printf '%s\n' "$said" | tail -n 8 >&2
  enough_room "$PG_HOME"
  case "$said" in
    *"No space left on device"* | *"Disk quota exceeded"*)
      fail "The database did not start: a disk is full." "Free some room (df -h tells where), then run this again. The data is whole: do not move or delete $PG_HOME." ;;
    *"Permission denied"* | *"wrong ownership"* | *"invalid permissions"* | *"not permitted"*)
      fail "The database may not use its own folder $PG_HOME." "Run this as the user who made it, or give the folder back to that user; the data is whole." ;;
    *"lock file"*"already exists"* | *"shared memory block"*"still in use"*)
      fail "Another PostgreSQL works in $PG_HOME already." "End it, or restart this machine; then run this again. The data is whole." ;;
    *"checkpoint record"* | *"PANIC"* | *"invalid page"* | *"control file"* | *"could not read file"* | *"base/"*"No such file"*)
      fail "The database says that its data is damaged (see $PG_HOME/postgres.log)." \
        "First copy the folder: cp -a '$PG_HOME' '$PG_HOME.copy'. Then, with a backup: move it away and run ./levamen restore FILE." ;;
  esac
  fail "The database did not start, for the reason above (see $PG_HOME/postgres.log)." "Mend that, then run this again. Nothing says that the data is damaged: leave $PG_HOME as it is."
}

# start_cluster FOLDER [OPTION...]: creates it where it is missing. Sets PG_HOME, PG_BIN, PG_PORT.
start_cluster() {
  require_postgres
  plain_way
  PG_HOME=$(cluster_place "$1")
  shift
  local is_new=false
  if [ ! -e "$PG_HOME" ]; then
    enough_room "$PG_HOME"
    create_cluster
    is_new=true
  fi
  check_cluster
  if cluster_runs; then
    PG_PORT=$(cat "$PG_HOME/port")
    wait_for_recovery
    return
  fi
  clear_stale_pid
  enough_room "$PG_HOME"
  give_to_plain_user "$PG_HOME"
  ensure_checksums
  local before attempt
  for attempt in 1 2 3; do
    PG_PORT=$(free_port "$(cat "$PG_HOME/port" 2>/dev/null || echo 0)")
    printf '%s' "$PG_PORT" >"$PG_HOME/port"
    before=$(stat -c %s "$PG_HOME/postgres.log" 2>/dev/null || echo 0)
    # Terse errors without statements and parameters: the log holds no job contents.
    if as_plain_user "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -w -t 20 -l "$PG_HOME/postgres.log" -o "-p $PG_PORT \
      -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c log_error_verbosity=terse -c log_min_error_statement=panic \
      -c log_parameter_max_length=0 -c log_parameter_max_length_on_error=0 -c wal_compression=on -c checkpoint_timeout=15min $*" start >"$PG_HOME/start.log" 2>&1; then
      [ "$is_new" = false ] || room_for_journal
      return
    fi
    if cluster_runs; then
      wait_for_recovery
      return
    fi
    # Somebody took the port between the look and the start.
    [[ "$(log_since "$before")" == *"Address already in use"* ]] || break
  done
  explain_start "$before"
}

# After a power cut PostgreSQL first plays its journal again; that takes its time and is no fault.
wait_for_recovery() {
  local round
  for round in $(seq 600); do
    if cluster_answers; then return; fi
    cluster_runs || break
    [ "$round" != 2 ] || say "The database is bringing itself up to date after an interruption; this can take some minutes"
    sleep 1
  done
  fail "The database is not ready yet (see $PG_HOME/postgres.log)." "It may still be recovering: leave it alone for some minutes, then run this again. The data is whole."
}

# stop_cluster FOLDER
stop_cluster() {
  local folder=$1
  PG_HOME=$(cat "$folder.place" 2>/dev/null || printf '%s' "$folder")
  [ -e "$PG_HOME/data/PG_VERSION" ] || return 0
  PG_BIN=$(postgres_bin "$(cat "$PG_HOME/data/PG_VERSION")")
  [ -n "$PG_BIN" ] || return 0
  if cluster_runs; then as_plain_user "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -m fast -w -t 60 stop >/dev/null 2>&1 || true; fi
}

# remove_cluster FOLDER: for clusters of tests. One that a killed run left elsewhere is found again, even where the note of its place is gone.
remove_cluster() {
  local elsewhere
  elsewhere=$(account_place "$1")
  if [ -e "$elsewhere" ] && [ ! -s "$1.place" ]; then
    mkdir -p "$(dirname "$1")"
    printf '%s' "$elsewhere" >"$1.place"
  fi
  stop_cluster "$1"
  rm -rf "$1" "$1.new" "$PG_HOME" "$PG_HOME.new" "$1.place"
}

# database_url ROLE NAME: of the cluster of one's own, or what is said of one elsewhere (NAME is what it says, then). ROLE is levamen (administers the cluster), levamen_owner (migrates), levamen_app (serves).
database_url() {
  local file=password
  if is_elsewhere; then
    case "$1" in levamen) printf '%s' "$ELSEWHERE_ADMIN" ;; levamen_owner) printf '%s' "$ELSEWHERE_OWNER" ;; *) printf '%s' "$ELSEWHERE_APP" ;; esac
    return
  fi
  [ "$1" = levamen ] || file="password-$1"
  printf 'postgres://%s:%s@127.0.0.1:%s/%s' "$1" "$(cat "$PG_HOME/$file")" "$PG_PORT" "$2"
}

as_administrator() { PGPASSWORD=$(cat "$PG_HOME/password") "$PG_BIN/psql" -h 127.0.0.1 -p "$PG_PORT" -U levamen -v ON_ERROR_STOP=1 -qtA "$@"; }

# A PostgreSQL that finds no room for its journal ends. One that has run for a while has files to spare for it; a new one gets its first here:
# used once, they are kept for later. Where they would hardly fit, it does without.
room_for_journal() {
  [ "$(free_kb "$PG_HOME")" -ge 98304 ] || return 0
  as_administrator -d postgres >/dev/null <<'SQL'
SELECT pg_create_restore_point('room'), pg_switch_wal() FROM generate_series(1, 3);
CHECKPOINT;
SQL
}

# The program's role may read and write rows, and nothing else; tables belong to the role that migrates.
ensure_roles() {
  local role
  for role in levamen_owner levamen_app; do
    [ -s "$PG_HOME/password-$role" ] || new_password "$PG_HOME/password-$role"
    as_administrator -d postgres <<SQL || fail "The database does not accept its password." "Put the right file back as $PG_HOME/password, then run this again; the data is whole."
SELECT 'CREATE ROLE $role' WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = '$role') \gexec
ALTER ROLE $role LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION NOBYPASSRLS PASSWORD '$(cat "$PG_HOME/password-$role")';
SQL
  done
}

# ensure_database NAME: also takes over one whose tables belong to the administrator, as they used to.
ensure_database() {
  ensure_roles
  as_administrator -d postgres <<SQL
SELECT 'CREATE DATABASE $1 OWNER levamen_owner' WHERE NOT EXISTS (SELECT FROM pg_database WHERE datname = '$1') \gexec
ALTER DATABASE $1 OWNER TO levamen_owner;
REVOKE ALL ON DATABASE $1 FROM PUBLIC;
GRANT CONNECT ON DATABASE $1 TO levamen_app;
SQL
  as_administrator -d "$1" <<'SQL'
ALTER SCHEMA public OWNER TO levamen_owner;
SELECT format('ALTER TABLE %s OWNER TO levamen_owner', oid::regclass) FROM pg_class
  WHERE relnamespace = 'public'::regnamespace AND relkind = 'r' AND relowner = 'levamen'::regrole \gexec
SELECT format('ALTER FUNCTION %s OWNER TO levamen_owner', oid::regprocedure) FROM pg_proc
  WHERE pronamespace = 'public'::regnamespace AND proowner = 'levamen'::regrole \gexec
SQL
}
