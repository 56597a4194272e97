# The long proofs: what `./levamen test` runs a slice of, for as long as it takes; the figures go into docs/proofs.md.

PROOF_HOME="$STATE/prove"

core_proofs() { npx --no-install vitest run --project core core/src/job core/src/commissioning/staged; }

server_proofs() { server_vitest server/src/fuzz server/src/jobs server/src/commands server/src/servers server/src/main server/src/store; }

beside_server() {
  ensure_database levamen_proofs
  LEVAMEN_REQUESTS_PER_MINUTE=10000000 with_server "$PROOF_HOME" levamen_proofs "$@"
}

# LEVAMEN_COMPARE_URL: a running server of an earlier program, to measure beside this one.
load_proof() { node scripts/prove-load.mjs "$LEVAMEN_E2E_URL" "${LEVAMEN_COMPARE_URL:-}" "$LEVAMEN_PROOFS/load.json"; }
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
  step "Properties of merging and reading, faults and measured batteries" core_proofs
  step "Mutated requests, revisions, commands, killed servers" server_proofs
  step "Saves under load" beside_server load_proof
  step "Nothing typed is lost" beside_server browser_proof
  node scripts/write-proofs.mjs "$LEVAMEN_PROOFS"
  [ ${#FAILED_STEPS[@]} -eq 0 ] || fail "These proofs failed: ${FAILED_STEPS[*]}" "Read what they say above."
}
