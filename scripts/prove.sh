# The long proofs: what `./levamen test` runs a slice of, for as long as it takes; the figures go into docs/proofs.md.

PROOF_HOME="$STATE/prove"

core_proofs() { npx --no-install vitest run --project core core/src/job core/src/commissioning/staged; }

server_proofs() { server_vitest server/src/fuzz server/src/jobs server/src/commands server/src/servers server/src/main server/src/store; }

beside_server() {
  ensure_database levamen_proofs
  LEVAMEN_REQUESTS_PER_MINUTE=10000000 with_server "$PROOF_HOME" levamen_proofs "$@"
}

# begin_earlier: builds and starts an earlier program, by default the one before several servers and backups a day were made. Its folder is in EARLIER,
# its address in LEVAMEN_COMPARE_URL; both stay empty where this copy has no such history.
EARLIER="" EARLIER_PID="" LEVAMEN_COMPARE_URL=""
EARLIER_COMMIT=${LEVAMEN_PROVE_AGAINST:-5ed65eb}
begin_earlier() {
  local port
  git -C "$ROOT" cat-file -e "$EARLIER_COMMIT^{commit}" 2>/dev/null || {
    say "Commit $EARLIER_COMMIT is not in this history: nothing is compared with it"
    return 0
  }
  EARLIER="$PROOF_HOME/earlier"
  node scripts/earlier-program.mjs "$EARLIER_COMMIT" "$EARLIER" core server || return 1
  ensure_database levamen_earlier
  port=$(free_port)
  LEVAMEN_COMPARE_URL="http://127.0.0.1:$port"
  (
    cd "$EARLIER" || exit 1
    export LEVAMEN_PORT=$port LEVAMEN_DEMO=true LEVAMEN_LOG_LEVEL=error LEVAMEN_WEB_ROOT="$ROOT/web/dist/browser" LEVAMEN_REQUESTS_PER_MINUTE=10000000
    LEVAMEN_DATABASE_URL=$(database_url levamen_app levamen_earlier) LEVAMEN_MIGRATION_URL=$(database_url levamen_owner levamen_earlier) exec node server/dist/main.js
  ) &
  EARLIER_PID=$!
  wait_until_ready "$EARLIER_PID" "$LEVAMEN_COMPARE_URL"
}
end_earlier() {
  [ -n "$EARLIER" ] || return 0
  kill "$EARLIER_PID" 2>/dev/null || true
  node scripts/earlier-program.mjs remove "$EARLIER"
  EARLIER=""
}

times_against() {
  [ -z "$EARLIER" ] ||
    node scripts/prove-against.mjs "$EARLIER" "$EARLIER_COMMIT" "$LEVAMEN_E2E_URL" "$LEVAMEN_COMPARE_URL" "$LEVAMEN_PROOFS/against.json"
}
load_proof() { node scripts/prove-load.mjs "$LEVAMEN_E2E_URL" "$LEVAMEN_COMPARE_URL" "$LEVAMEN_PROOFS/load.json"; }
compared_proofs() { begin_earlier && beside_server times_against && beside_server load_proof; }
# A company at work, for so many minutes: by a server that has just started, and has read nothing yet.
steady_load() { node scripts/steady-load.mjs "$LEVAMEN_E2E_URL" "$@"; }
steady_proof() { beside_server steady_load 0 && beside_server steady_load "${LEVAMEN_LOAD_MINUTES:-5}" "$LEVAMEN_PROOFS/steady-load.json"; }

# whole_proof: the whole program in a browser, as a company runs it: two servers, TLS and a proxy in front, with what docs/company/nginx.conf says.
whole_proof() {
  local home="$PROOF_HOME/whole" port tls result=0
  mkdir -p "$home/state" "$home/proxy/temporary" "$home/proxy/logs"
  cp -r "$STATE/stamps" "$home/state/"
  port=$(free_port)
  tls=$(free_port)
  local as=(env -u LEVAMEN_DATABASE_URL -u LEVAMEN_MIGRATION_URL -u LEVAMEN_DEMO -u LEVAMEN_WEB_ROOT "LEVAMEN_STATE=$home/state" "LEVAMEN_PORT=$port"
    LEVAMEN_OPEN=0 LEVAMEN_SERVERS=2 LEVAMEN_HOSTS=levamen.test LEVAMEN_PROXY=loopback LEVAMEN_BACKUPS=off LEVAMEN_REQUESTS_PER_MINUTE=1000000)
  "${as[@]}" "$ROOT/levamen" certificate levamen.test >/dev/null || return 1
  "${as[@]}" "$ROOT/levamen" start &
  proxy_conf "$home" "$port" "$tls" >"$home/proxy/nginx.conf"
  until answers "http://127.0.0.1:$port" && answers "http://127.0.0.1:$((port + 1))"; do sleep 0.5; done
  "$NGINX" -p "$home/proxy" -c "$home/proxy/nginx.conf" -e "$home/proxy/logs/error.log" &
  local proxy=$!
  LEVAMEN_E2E_URL="https://levamen.test:$tls" LEVAMEN_E2E_RUN="$home/state/run" LEVAMEN_E2E_HOME="$home" \
    npx --no-install playwright test -c e2e/playwright.config.ts --project whole --no-deps --workers=1 || result=1
  kill "$proxy" 2>/dev/null || true
  "${as[@]}" "$ROOT/levamen" stop
  return $result
}

# proxy_conf HOME PORT TLS_PORT: what the documentation says, under ports, files and a name of this machine; the door without TLS is left out.
proxy_conf() {
  [ "$(id -u)" != 0 ] || echo 'user root root;'
  echo 'daemon off; worker_processes 1; pid nginx.pid; events {} http { access_log off;'
  for each in client_body proxy fastcgi uwsgi scgi; do echo "${each}_temp_path temporary/$each;"; done
  awk '/^server \{/ { count += 1 } count < 2' docs/company/nginx.conf |
    sed -e '/\[::\]/d' -e "s/listen 443 ssl/listen 127.0.0.1:$3 ssl/" -e "s/127.0.0.1:4780/127.0.0.1:$2/" -e "s/127.0.0.1:4781/127.0.0.1:$(($2 + 1))/" \
      -e 's/levamen\.example\.org/levamen.test/' -e "s#/etc/ssl/levamen/fullchain.pem#$1/state/tls/server.crt#" -e "s#/etc/ssl/levamen/privkey.pem#$1/state/tls/server.key#" \
      -e 's/\$host;/$http_host;/'
  echo '}'
}

# One after the other: one of them kills the server they use.
browser_proof() { npx --no-install playwright test -c e2e/playwright.config.ts --project long --no-deps --workers=1; }

remove_proof_cluster() { remove_cluster "$PROOF_HOME/pg"; }

prove() {
  require_chromium
  require_nginx
  on_exit remove_proof_cluster
  remove_proof_cluster
  rm -rf "$PROOF_HOME"
  mkdir -p "$PROOF_HOME"
  export LEVAMEN_PROVE=1 LEVAMEN_PROOFS="$PROOF_HOME/figures"
  mkdir -p "$LEVAMEN_PROOFS"
  # As the program runs it: nothing is sped up.
  start_cluster "$PROOF_HOME/pg"
  ensure_roles
  on_exit end_beside_server
  on_exit end_earlier
  step "Properties of merging and reading, faults and measured batteries" core_proofs
  step "Mutated requests, revisions, commands, killed servers" server_proofs
  step "Times and saves, against an earlier program" compared_proofs
  end_earlier
  step "A company at work" steady_proof
  step "Nothing typed is lost" beside_server browser_proof
  step "The whole program on two servers" whole_proof
  node scripts/write-proofs.mjs "$LEVAMEN_PROOFS"
  [ ${#FAILED_STEPS[@]} -eq 0 ] || fail "These proofs failed: ${FAILED_STEPS[*]}" "Read what they say above."
}
