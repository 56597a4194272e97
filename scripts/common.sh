# Words and small helpers shared by the other scripts.

say() { printf '\033[1m»\033[0m %s\n' "$*"; }

# What `fail` ends with inside the scripts: everything has been said. Whoever called sees 1.
SAID=9

# fail WHAT REMEDY: the two things somebody at a terminal needs to know.
fail() {
  printf '\nLevamen: %s\n  What to do: %s\n' "$1" "$2" >&2
  exit "$SAID"
}

# The last command that failed without anybody having foreseen it.
BROKE_AT=""

note_failure() {
  local status=$1 line=$2 command=$3
  if [ "$status" -ne "$SAID" ]; then BROKE_AT="$command (${BASH_SOURCE[1]##*/}, line $line) answered $status"; fi
}

CLEANUPS=()

# on_exit COMMAND: done when the script ends, however it ends; the last one first.
on_exit() { CLEANUPS+=("$1"); }

# Every way out leads through here: no command ends non-zero without saying what happened and what to do.
leave() {
  local status=$? index
  trap - EXIT ERR INT TERM HUP
  set +e
  # A second Ctrl-C must not leave a server or a database behind.
  trap '' INT TERM HUP
  for ((index = ${#CLEANUPS[@]} - 1; index >= 0; index--)); do ${CLEANUPS[index]}; done
  case "$status" in
    0) exit 0 ;;
    "$SAID") exit 1 ;;
    129 | 130 | 143)
      printf '\nLevamen: interrupted; nothing that was saved is lost.\n  What to do: run the same command again when you like.\n' >&2
      exit "$status"
      ;;
  esac
  printf '\nLevamen: something failed that was not foreseen: %s.\n  What to do: look at the messages above and in %s; your data is not touched. Then run the command again.\n' \
    "${BROKE_AT:-exit status $status}" "$STATE" >&2
  exit "$status"
}

watch_every_way_out() {
  set -E
  trap 'note_failure "$?" "$LINENO" "$BASH_COMMAND"' ERR
  trap leave EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM
  trap 'exit 129' HUP
}

# A port nobody listens on, on loopback. Prefers $1 where it is free.
free_port() {
  node -e '
    const net = require("net");
    const attempt = (port, next) => {
      const server = net.createServer();
      server.once("error", next).listen(port, "127.0.0.1", () => {
        const found = server.address().port;
        server.close(() => console.log(found));
      });
    };
    attempt(Number(process.argv[1] || 0), () => attempt(0, () => process.exit(1)));
  ' "${1:-0}"
}

port_is_free() { [ "$(free_port "$1")" = "$1" ]; }

# When a process began, in ticks since the machine started: with its id, this names one process and no later one.
process_start() {
  local stat
  stat=$(cat "/proc/$1/stat" 2>/dev/null) || return 1
  # The name in parentheses may hold anything; the 20th field after it is the start.
  stat=${stat##*) }
  # A process that has ended but was not waited for runs no more.
  [ "${stat:0:1}" != Z ] || return 1
  set -- $stat
  printf '%s' "${20}"
}

# process_runs PID. Without a redirection: a signal that comes in the middle of one would print its words nowhere.
process_runs() {
  local start
  start=$(process_start "$1")
}

# note_process NAME PID: keeps the id together with its start. A full disk, which takes no note, is no reason to end what runs.
note_process() {
  { mkdir -p "$RUN" && printf '%s %s' "$2" "$(process_start "$2")" >"$RUN/$1.pid"; } 2>/dev/null ||
    say "The process of \"$1\" ($2) could not be noted in $RUN; it runs"
}

# running_pid NAME: the process noted under that name, if that very process still runs.
running_pid() {
  local pid="" start=""
  read -r pid start 2>/dev/null <"$RUN/$1.pid" || true
  [[ "$pid" =~ ^[0-9]+$ ]] && [ -n "$start" ] && [ "$(process_start "$pid" || true)" = "$start" ] && printf '%s' "$pid"
}

# end_process PID: asks it to end and waits until it has; ends it where it does not.
end_process() {
  local start
  start=$(process_start "$1") || return 0
  kill "$1" 2>/dev/null || return 0
  # A server that is to say for a while that it stops is given that while.
  for _ in $(seq $((150 + ${LEVAMEN_DRAIN_S:-0} * 10))); do
    [ "$(process_start "$1" || true)" = "$start" ] || return 0
    sleep 0.1
  done
  [ "$(process_start "$1" || true)" != "$start" ] || kill -9 "$1" 2>/dev/null || true
}

# end_named NAME: the process noted under that name, if it still runs.
end_named() {
  local pid
  if pid=$(running_pid "$1"); then end_process "$pid"; fi
}

# with_lock NAME COMMAND...: one at a time among all commands on this state folder.
with_lock() {
  local lock
  mkdir -p "$STATE"
  exec {lock}>"$STATE/$1.lock"
  if ! flock -n "$lock"; then
    say "Another command of Levamen is at it ($1); waiting for it"
    flock "$lock"
  fi
  shift
  # What the command leaves running must not hold the lock.
  "$@"
  exec {lock}>&-
}
