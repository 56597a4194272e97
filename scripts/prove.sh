# The long proofs: what `./levamen test` runs a slice of, for as long as it takes; the figures go into docs/proofs.md.

PROOF_HOME="$STATE/prove"

core_proofs() { npx --no-install vitest run --project core core/src/job; }

server_proofs() {
  LEVAMEN_TEST_DATABASE_URL=$(database_url levamen postgres) LEVAMEN_TEST_OWNER_URL=$(database_url levamen_owner postgres) \
    LEVAMEN_TEST_APP_URL=$(database_url levamen_app postgres) LEVAMEN_STATE=$STATE \
    npx --no-install vitest run --project server server/src/fuzz server/src/jobs server/src/commands server/src/main server/src/store
}

# with_server COMMAND...: beside a server of its own on the cluster of the proofs.
with_server() {
  local port result=0
  port=$(free_port)
  ensure_database levamen_proofs
  export LEVAMEN_PORT=$port LEVAMEN_DEMO=true LEVAMEN_LOG_LEVEL=error LEVAMEN_WEB_ROOT="$ROOT/web/dist/browser"
  export LEVAMEN_REQUESTS_PER_MINUTE=10000000 LEVAMEN_E2E_URL="http://127.0.0.1:$port" LEVAMEN_E2E_HOME="$PROOF_HOME"
  export LEVAMEN_E2E_PID_FILE="$PROOF_HOME/server.pid"
  LEVAMEN_DATABASE_URL=$(database_url levamen_app levamen_proofs)
  LEVAMEN_MIGRATION_URL=$(database_url levamen_owner levamen_proofs)
  export LEVAMEN_DATABASE_URL LEVAMEN_MIGRATION_URL
  node server/dist/main.js &
  printf '%s' "$!" >"$LEVAMEN_E2E_PID_FILE"
  wait_until_ready "$!" "$LEVAMEN_E2E_URL" || return 1
  "$@" || result=1
  end_proof_server
  return $result
}

# LEVAMEN_COMPARE_URL: a running server of an earlier program, to measure beside this one.
load_proof() { node scripts/prove-load.mjs "$LEVAMEN_E2E_URL" "${LEVAMEN_COMPARE_URL:-}" "$LEVAMEN_PROOFS/load.json"; }
browser_proof() { npx --no-install playwright test -c e2e/playwright.config.ts --project long --no-deps; }

end_proof_server() { kill "$(cat "$PROOF_HOME/server.pid" 2>/dev/null)" 2>/dev/null || true; }
remove_proof_cluster() { remove_cluster "$PROOF_HOME/pg"; }

prove() {
  require_chromium
  on_exit remove_proof_cluster
  remove_proof_cluster
  rm -rf "$PROOF_HOME"
  mkdir -p "$PROOF_HOME"
  export LEVAMEN_PROVE=1 LEVAMEN_PROOFS="$PROOF_HOME/figures"
  mkdir -p "$LEVAMEN_PROOFS"
  # As the program runs it: nothing is sped up.
  start_cluster "$PROOF_HOME/pg"
  ensure_roles
  on_exit end_proof_server
  step "Properties of merging and reading" core_proofs
  step "Mutated requests, revisions, commands, killed servers" server_proofs
  step "Saves under load" with_server load_proof
  step "Nothing typed is lost" with_server browser_proof
  node scripts/write-proofs.mjs "$LEVAMEN_PROOFS"
  [ ${#FAILED_STEPS[@]} -eq 0 ] || fail "These proofs failed: ${FAILED_STEPS[*]}" "Read what they say above."
}
