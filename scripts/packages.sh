# What the program needs from the machine.

node_is_recent() { node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)'; }

require_node() {
  command -v node >/dev/null && command -v npm >/dev/null ||
    fail "Node.js is missing." "Install Node.js 20.19 or newer with npm, then run this again."
  node_is_recent || fail "Node.js $(node --version) is too old." "Install Node.js 20.19 or newer, then run this again."
}

# install_packages NAME...: Debian packages, as root or through sudo.
install_packages() {
  command -v apt-get >/dev/null ||
    fail "These packages are missing, and there is no apt-get here to install them: $*" \
      "Install PostgreSQL 13 or newer (and Chromium for the tests) with this system's own package manager, then run this again."
  [ "$(id -u)" = 0 ] || command -v sudo >/dev/null ||
    fail "These packages are missing: $*" "Run as root: apt-get install --no-install-recommends $*"
  say "Installing Debian packages: $*"
  # Keeps Debian from starting a cluster of its own: Levamen has one in its own folder.
  if [[ " $* " == *" postgresql "* ]] && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    as_root mkdir -p /etc/postgresql-common
    echo 'create_main_cluster = false' | as_root tee /etc/postgresql-common/createcluster.conf >/dev/null
  fi
  local log="$STATE/apt.log"
  mkdir -p "$STATE"
  { as_root apt-get update &&
    as_root env DEBIAN_FRONTEND=noninteractive UCF_FORCE_CONFFOLD=1 apt-get install -y --no-install-recommends "$@"; } >"$log" 2>&1 || {
    tail -n 5 "$log" >&2
    fail "apt-get could not install: $* (see $log)" "Check the network and the package sources, then run this again."
  }
}

postgres_versions() {
  local bin versions=()
  for bin in /usr/lib/postgresql/*/bin; do
    if [ -x "$bin/initdb" ] && [ -x "$bin/pg_ctl" ]; then versions+=("$(basename "$(dirname "$bin")")"); fi
  done
  printf '%s\n' "${versions[@]}" | sort -V | paste -sd' '
}

# postgres_bin [VERSION]: where the programs of that version lie, of the newest where none is named; nothing where there are none.
postgres_bin() {
  local version=${1:-}
  [ -n "$version" ] || { version=$(postgres_versions) && version=${version##* }; }
  if [ -n "$version" ] && [ -x "/usr/lib/postgresql/$version/bin/pg_ctl" ]; then printf '/usr/lib/postgresql/%s/bin' "$version"; fi
}

require_postgres() {
  [ -n "$(postgres_bin)" ] || install_packages postgresql
  PG_BIN=$(postgres_bin)
  [ -n "$PG_BIN" ] || fail "PostgreSQL is installed but its programs were not found." "Expected them in /usr/lib/postgresql/*/bin."
}

# The one that has no windows takes less of the processors.
require_chromium() {
  [ -x /usr/bin/chromium-headless-shell ] || install_packages chromium-headless-shell
}

# require_nginx: the proxy that tests put in front of servers. Debian's package, unpacked into the state folder: installed, it would start by itself.
require_nginx() {
  NGINX=$(command -v nginx || true)
  if [ -n "$NGINX" ]; then return; fi
  NGINX="$STATE/nginx/usr/sbin/nginx"
  if [ -x "$NGINX" ]; then return; fi
  say "Fetching Debian's nginx for the tests"
  rm -rf "$STATE/nginx.new"
  mkdir -p "$STATE/nginx.new"
  if ! (cd "$STATE/nginx.new" && { apt-get download nginx || { as_root apt-get update && apt-get download nginx; }; } && dpkg-deb -x nginx_*.deb .) >"$STATE/apt.log" 2>&1; then
    tail -n 5 "$STATE/apt.log" >&2
    fail "Debian's package nginx could not be fetched (see $STATE/apt.log)." "Check the network and the package sources, or install nginx, then run this again."
  fi
  rm -rf "$STATE/nginx"
  mv "$STATE/nginx.new" "$STATE/nginx"
}

as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo "$@"; fi; }
