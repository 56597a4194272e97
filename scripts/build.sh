# Dependencies and builds, each done again only when what it rests on has changed.

# digest FILE...: of the contents and names of files (folders are walked), tests apart.
digest() {
  find "$@" -type f -not -name '*.spec.ts' -not -path '*/testing/*' -not -path '*/node_modules/*' -not -path '*/dist/*' -not -path '*/.angular/*' -print0 |
    sort -z | xargs -0 sha1sum | sha1sum | cut -d' ' -f1
}

# unless_done NAME DIGEST COMMAND...: runs the command when NAME was not done for this digest.
unless_done() {
  local stamp="$STATE/stamps/$1" wanted=$2
  shift 2
  if [ "$(cat "$stamp" 2>/dev/null)" = "$wanted" ]; then return; fi
  "$@"
  mkdir -p "$STATE/stamps"
  printf '%s' "$wanted" >"$stamp"
}

install_dependencies() {
  say "Installing npm packages (about a minute)"
  mkdir -p "$STATE"
  npm ci >"$STATE/npm.log" 2>&1 || {
    tail -n 20 "$STATE/npm.log" >&2
    fail "npm ci failed (see $STATE/npm.log)." "Check the network, then run this again."
  }
  rm -f "$STATE"/stamps/build-*
}

prepare_node() {
  require_node
  with_lock packages prepare_packages
}

prepare_packages() {
  [ -d node_modules ] || rm -f "$STATE/stamps/npm"
  unless_done npm "$(digest package.json package-lock.json ./*/package.json)" install_dependencies
}

compile_server() {
  say "Compiling core and server"
  npx --no-install tsc -b core server || fail "Core and server could not be compiled." "See the messages above."
}

build_web() {
  say "Building the page (about a minute)"
  mkdir -p "$STATE"
  # Types are checked where the tests are (Angular's own compiler, templates and all): here that would take a third longer.
  (cd web && NG_CLI_ANALYTICS=false NG_BUILD_TYPE_CHECK=0 npx --no-install ng build >"$STATE/web-build.log" 2>&1) || {
    cat "$STATE/web-build.log" >&2
    fail "The page could not be built." "See the messages above."
  }
  node scripts/build-field-worker.mjs || fail "The service worker of the page could not be built." "See the messages above."
  node scripts/precompress.mjs
}

build_program() { with_lock build build_all; }

build_server() {
  [ -f server/dist/main.js ] || rm -f "$STATE/stamps/build-server"
  unless_done build-server "$(digest core/src server/src core/tsconfig.json server/tsconfig.json tsconfig.base.json)" compile_server
}

build_all() {
  build_server
  [ -f web/dist/browser/index.html ] || rm -f "$STATE/stamps/build-web"
  unless_done build-web "$(digest core/src web tsconfig.base.json scripts/build-field-worker.mjs)" build_web
}
