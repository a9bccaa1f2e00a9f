# Sourced by ./coppia test: every check, then one line with the sum.
source "$ROOT/tests/browser.sh"
passed=0
failed=0

# What runs for minutes needs no counting of what is called how often: a tenth of the time.
export DOTNET_TieredPGO=0

# What needs nothing of what runs meanwhile is done beside it.
aside() {
  local name=$1
  shift
  local exit=0
  "$@" >"$OUT/log/$name.log" 2>&1 || exit=$?
  echo $exit >"$OUT/results/$name.exit"
}

# Compilers leave half of two cores idle.
beside_the_build() {
  install_web
  aside web-tests npm run -s test --prefix web -- --reporter=json --outputFile="$OUT/results/web.json"
  aside web-format npm run -s format:check --prefix web
  aside csharp-format dotnet csharpier check .
}

check() {
  local name=$1 log=$2
  if [ "$(cat "$OUT/results/$log.exit" 2>/dev/null)" = 0 ]; then
    passed=$((passed + 1))
    echo "ok      $name"
  else
    failed=$((failed + 1))
    echo "FAILED  $name"
    tail -n 60 "$OUT/log/$log.log"
  fi
}

echo 'Building the server and the tests …'
rm -rf "$OUT/results"
mkdir -p "$OUT/results" "$OUT/log"
dotnet tool restore >/dev/null
beside_the_build &
texts=$!
# One compiler for all projects, which need not warm up for each.
quietly tests dotnet build Coppia.slnx -c Release -p:UseSharedCompilation=true
dotnet build-server shutdown --vbcscompiler >/dev/null 2>&1 || true
BUILT=true DESCRIBED=true
build_server
# Runs a suite; its log and its counts are read when all are done.
suite() {
  local name=$1
  shift
  # The seed is the order of the tests: the same wherever the project lies. Another shows tests that lean on each other.
  # Many small objects that live shortly are collected more seldom in 128 MB: a tenth of the processor's time.
  DOTNET_GCgen0size=0x8000000 dotnet "tests/$name/bin/Release/net10.0/Coppia.$name.Tests.dll" ":${COPPIA_ORDER:-12}" -result-trx "$OUT/results/$name.trx" \
    -noLogo -noColor "$@" >"$OUT/log/$name.log" 2>&1 || true
}

count() {
  local counters suite_passed suite_failed
  counters=$(grep -o '<Counters [^>]*' "$OUT/results/$1.trx" 2>/dev/null || true)
  suite_passed=$(sed -n 's/.* passed="\([0-9]*\)".*/\1/p' <<<"$counters")
  suite_failed=$(sed -n 's/.* failed="\([0-9]*\)".*/\1/p' <<<"$counters")
  if [ -z "$suite_passed" ] || [ "$suite_passed" = 0 ]; then suite_failed=$((${suite_failed:-0} + 1)); fi
  echo "$1: ${suite_passed:-0} passed, ${suite_failed:-0} failed"
  if [ "${suite_failed:-0}" != 0 ]; then
    # Every failure by name with what it said; the whole log stays in the build folder.
    grep -A 6 '\[FAIL\]$' "$OUT/log/$1.log" | cut -c1-400 | head -n 200
    tail -n 20 "$OUT/log/$1.log" | cut -c1-400
  fi
  passed=$((passed + ${suite_passed:-0}))
  failed=$((failed + ${suite_failed:-0}))
}

# Most suites have no use for the front end, and wait more than they work: they run beside its build, and those that
# take longest, which start servers and other programs, beside the browser too.
echo 'Running Architecture, Core, Formats, Server and Reference …'
suite Server &
server=$!
{ suite Architecture; suite Core; } &
core=$!
suite Formats &
formats=$!
wait "$texts" || exit 2
build_web
suite Reference &
reference=$!
wait "$core" "$formats"
echo 'Running Browser …'
aside web-lint npm run -s lint --prefix web &
lint=$!
# Who waits for a page leaves a processor idle: twice as many stages as there are processors.
suite Browser -maxThreads "$((2 * $(nproc)))"
wait "$server" "$reference" "$lint"
for name in Architecture Core Formats Server Reference Browser; do count "$name"; done
echo 'Running web …'
if [ "$(cat "$OUT/results/web-tests.exit" 2>/dev/null)" != 0 ]; then tail -n 60 "$OUT/log/web-tests.log"; fi
web_tests() { node -p "JSON.parse(require('fs').readFileSync('$OUT/results/web.json', 'utf8')).num$1Tests" 2>/dev/null || echo "$2"; }
passed=$((passed + $(web_tests Passed 0)))
failed=$((failed + $(web_tests Failed 1)))
check 'C# is formatted' csharp-format
check 'TypeScript is formatted' web-format
check 'TypeScript lints' web-lint
echo
echo "$passed passed, $failed failed"
[ "$failed" = 0 ]
