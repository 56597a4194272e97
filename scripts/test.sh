# Every test, on a database cluster, a server and a port of its own: the demo's data is never touched.

TEST_HOME="$STATE/test"
FAILED_STEPS=()

# step NAME COMMAND...: goes on after a failure, so that one run tells everything.
step() {
  local name=$1 begin=$SECONDS
  shift
  say "$name"
  if "$@"; then
    say "$name: passed in $((SECONDS - begin)) s"
  else
    say "$name: FAILED after $((SECONDS - begin)) s"
    FAILED_STEPS+=("$name")
  fi
}

run_lint() { run_style && run_arrows; }
run_style() { npx --no-install eslint . --max-warnings 0 && npx --no-install prettier --check --log-level warn .; }

# Who may import whom: the floors of core, their faces, and no circles, of files or of rooms.
run_arrows() { npm run --silent arrows; }

run_types() { npm run --silent types; }
# The page and its tests are compiled, and checked by that, when these are run.
run_types_apart() { npm run --silent types:apart; }

# What needs the built program waits for it, whether it was built or not.
wait_until_built() { until [ -e "$TEST_HOME/built" ] || ! kill -0 "$$" 2>/dev/null; do sleep 0.5; done; }

# What runs in the background is waited for, shown, and judged.
checks_result() {
  wait "$CHECKS_PID" || true
  beside_result checks
}
beside_result() {
  cat "$TEST_HOME/$1.log"
  [ -e "$TEST_HOME/$1.passed" ]
}

# core_tests ARGUMENTS...
core_tests() { npx --no-install vitest run --project core --reporter=default --reporter=json --outputFile.json="$TEST_HOME/core.json" "$@"; }

# The page's tests are compiled by Angular, templates and all.
page_tests() { (cd web && npx --no-install ng test --reporters=json --reporters=default --output-file="$TEST_HOME/page.json"); }

# server_vitest ARGUMENTS...: the server's tests on the cluster that runs.
server_vitest() {
  LEVAMEN_TEST_DATABASE_URL=$(database_url levamen postgres) LEVAMEN_TEST_OWNER_URL=$(database_url levamen_owner postgres) \
    LEVAMEN_TEST_APP_URL=$(database_url levamen_app postgres) LEVAMEN_NGINX=${NGINX:-} LEVAMEN_STATE=$STATE LEVAMEN_PAPERS_NICE=0 \
    npx --no-install vitest run --project server "$@"
}

server_tests() { server_vitest --reporter=default --reporter=json --outputFile.json="$TEST_HOME/server.json"; }

# with_server HOME DATABASE COMMAND...: beside a server of its own on the cluster that runs, with a database that is there; the command finds
# its address in LEVAMEN_E2E_URL.
with_server() {
  local home=$1 database=$2 port result=0
  shift 2
  port=$(free_port)
  # Every processor is busy while tests run: who stands back then is never served.
  export LEVAMEN_PAPERS_NICE=0
  export LEVAMEN_PORT=$port LEVAMEN_DEMO=${E2E_DEMO:-true} LEVAMEN_LOG_LEVEL=error LEVAMEN_WEB_ROOT="$ROOT/web/dist/browser"
  LEVAMEN_DATABASE_URL=$(database_url levamen_app "$database")
  LEVAMEN_MIGRATION_URL=$(database_url levamen_owner "$database")
  export LEVAMEN_DATABASE_URL LEVAMEN_MIGRATION_URL LEVAMEN_E2E_URL="http://127.0.0.1:$port"
  export LEVAMEN_E2E_HOME="$home" LEVAMEN_E2E_PID_FILE="$home/server.pid"
  node server/dist/main.js &
  printf '%s' "$!" >"$LEVAMEN_E2E_PID_FILE"
  wait_until_ready "$!" "$LEVAMEN_E2E_URL" || return 1
  "$@" || result=1
  end_beside_server
  return $result
}

# Tests kill and start the server; the last one is noted in the file.
end_beside_server() { kill "$(cat "${LEVAMEN_E2E_PID_FILE:-}" 2>/dev/null)" 2>/dev/null || true; }
end_apart() {
  local home
  for home in apart people; do kill "$(cat "$TEST_HOME/$home/server.pid" 2>/dev/null)" 2>/dev/null || true; done
}

# playwright HOME DATABASE PROJECT ARGUMENTS...: one group of tests, beside a server of its own.
playwright() {
  local home=$1 database=$2 project=$3
  shift 3
  mkdir -p "$home"
  with_server "$home" "$database" npx --no-install playwright test -c e2e/playwright.config.ts --project="$project" --pass-with-no-tests "$@"
}

# Tests that kill their server, or change what every job begins with, have one of their own and run beside everything else.
begin_apart() {
  # One after the other: roles are settled with each.
  ensure_database levamen_e2e
  ensure_database levamen_apart
  ensure_database levamen_people
  (
    trap - EXIT ERR
    result=0
    playwright "$TEST_HOME/apart" levamen_apart long --workers=1 "$@" || result=1
    E2E_DEMO=false playwright "$TEST_HOME/people" levamen_people people --workers=1 "$@" || result=1
    [ $result = 1 ] || touch "$TEST_HOME/apart.passed"
  ) >"$TEST_HOME/apart.log" 2>&1 &
  APART_PID=$!
}
apart_result() {
  wait "$APART_PID" || true
  beside_result apart
}

remove_test_cluster() { remove_cluster "$TEST_HOME/pg"; }

# Adds up what the runners counted.
summary() {
  node -e '
    const { readFileSync } = require("fs");
    const read = (name) => { try { return JSON.parse(readFileSync(`${process.argv[1]}/${name}.json`, "utf8")); } catch { return null; } };
    let passed = 0, failed = 0;
    for (const name of ["core", "page", "server"]) {
      const report = read(name);
      passed += report?.numPassedTests ?? 0;
      failed += report?.numFailedTests ?? 0;
      // Once more at the end: who reads only the last lines still learns what failed, and how (a seed, for one).
      const wrong = (report?.testResults ?? []).flatMap((file) => file.assertionResults.filter((each) => each.status === "failed").map((each) => ({ file: file.name, ...each })));
      for (const each of wrong) console.log(`failed: ${each.file} › ${each.fullName}\n${each.failureMessages.join("\n").slice(0, 2000)}`);
    }
    for (const name of ["e2e", "apart/e2e", "people/e2e"]) {
      const stats = read(name)?.stats;
      passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
      failed += stats?.unexpected ?? 0;
    }
    console.log(`tests: ${passed} passed, ${failed} failed`);
  ' "$TEST_HOME"
}

run_tests() {
  local begin=$SECONDS
  mkdir -p "$STATE"
  exec 8>"$STATE/test.lock"
  flock -n 8 || fail "The tests run already, in this state folder ($STATE)." "Wait until they are through, or set LEVAMEN_STATE to another folder."
  # Debian's packages and npm's come at the same time.
  (
    trap - EXIT ERR
    require_postgres
    require_chromium
    require_nginx
  ) >"$STATE/machine.log" 2>&1 &
  local machine=$!
  prepare_node
  local is_ready=true
  wait "$machine" || is_ready=false
  cat "$STATE/machine.log"
  [ "$is_ready" = true ] || exit 1
  require_nginx
  on_exit remove_test_cluster
  remove_test_cluster
  rm -rf "$TEST_HOME"
  mkdir -p "$TEST_HOME"
  # They keep one processor busy for some six minutes; the build, and the server's tests, which wait for one another, use the other.
  (
    trap - EXIT ERR
    if run_style && wait_until_built && run_arrows && run_types_apart; then touch "$TEST_HOME/checks.passed"; fi >"$TEST_HOME/checks.log" 2>&1
    wait_until_built
    if page_tests; then touch "$TEST_HOME/page.passed"; fi >"$TEST_HOME/page.log" 2>&1
    if core_tests --maxWorkers=1; then touch "$TEST_HOME/core.passed"; fi >"$TEST_HOME/core.log" 2>&1
  ) &
  CHECKS_PID=$!
  step "Build" build_program
  touch "$TEST_HOME/built"
  start_cluster "$TEST_HOME/pg" -c fsync=off
  ensure_roles
  on_exit end_beside_server
  on_exit end_apart
  begin_apart "$@"
  step "Server tests on PostgreSQL" server_tests
  step "Types, lint and formatting" checks_result
  step "Tests of the page's parts" beside_result page
  step "Unit tests of the core" beside_result core
  step "End-to-end tests in Chromium" playwright "$TEST_HOME" levamen_e2e together "$@"
  step "Those of accounts, of what a company enters, and of servers that are killed" apart_result
  say "All of it took $((SECONDS - begin)) s"
  summary
  [ ${#FAILED_STEPS[@]} -eq 0 ] || fail "These steps failed: ${FAILED_STEPS[*]}" "Read what they say above; ./levamen check runs lint, formatting and types alone."
}

run_checks() {
  step "Lint and formatting" run_lint
  step "Types" run_types
  [ ${#FAILED_STEPS[@]} -eq 0 ] || fail "These checks failed: ${FAILED_STEPS[*]}" "Mend what they say above; npm run format formats everything."
}
