# Sourced by ./coppia test: every check, then one line with the sum.
source "$ROOT/tests/browser.sh"
passed=0
failed=0

check() {
  local name=$1
  shift
  if "$@" >"$OUT/log/check.log" 2>&1; then
    passed=$((passed + 1))
    echo "ok      $name"
  else
    failed=$((failed + 1))
    echo "FAILED  $name"
    tail -n 60 "$OUT/log/check.log"
  fi
}

echo 'Building the tests …'
quietly tests dotnet build Coppia.slnx -c Release
rm -rf "$OUT/results"
for suite in Architecture Core Formats Server Reference Browser; do
  echo "Running $suite …"
  # The seed is the order of the tests: the same wherever the project lies. Another shows tests that lean on each other.
  dotnet "tests/$suite/bin/Release/net10.0/Coppia.$suite.Tests.dll" ":${COPPIA_ORDER:-12}" -result-trx "$OUT/results/$suite.trx" -noLogo -noColor >"$OUT/log/$suite.log" 2>&1 || true
  counters=$(grep -o '<Counters [^>]*' "$OUT/results/$suite.trx" 2>/dev/null || true)
  suite_passed=$(sed -n 's/.* passed="\([0-9]*\)".*/\1/p' <<<"$counters")
  suite_failed=$(sed -n 's/.* failed="\([0-9]*\)".*/\1/p' <<<"$counters")
  if [ -z "$suite_passed" ] || [ "$suite_passed" = 0 ]; then suite_failed=$((${suite_failed:-0} + 1)); fi
  if [ "${suite_failed:-0}" != 0 ]; then
    # Every failure by name with what it said; the whole log stays in the build folder.
    grep -A 6 '\[FAIL\]$' "$OUT/log/$suite.log" | cut -c1-400 | head -n 200
    tail -n 20 "$OUT/log/$suite.log" | cut -c1-400
  fi
  passed=$((passed + ${suite_passed:-0}))
  failed=$((failed + ${suite_failed:-0}))
done
echo 'Running web …'
npm run -s test --prefix web -- --reporter=json --outputFile="$OUT/results/web.json" >"$OUT/log/web-tests.log" 2>&1 || tail -n 60 "$OUT/log/web-tests.log"
web_tests() { node -p "JSON.parse(require('fs').readFileSync('$OUT/results/web.json', 'utf8')).num$1Tests" 2>/dev/null || echo "$2"; }
passed=$((passed + $(web_tests Passed 0)))
failed=$((failed + $(web_tests Failed 1)))
check 'C# is formatted' dotnet csharpier check .
check 'TypeScript is formatted' npm run -s format:check --prefix web
check 'TypeScript lints' npm run -s lint --prefix web
echo
echo "$passed passed, $failed failed"
[ "$failed" = 0 ]
