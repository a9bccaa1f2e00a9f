# Sourced by ./coppia mutate FILE [FILTER]: changes one source file of the core in small ways and sees whether its tests notice.
# FILTER is a part of the names of the tests that stand for the file; without it the tests that bear the file's name.
FILE=${1:-}
[ -n "$FILE" ] || fail 'usage: coppia mutate FILE [FILTER], FILE as in Fingering/CrossingRules.cs'
[ -e "src/Coppia.Core/$FILE" ] || fail "there is no src/Coppia.Core/$FILE"
FILTER=${2:-$(basename "$FILE" .cs)}
export COPPIA_QUICK=1 COPPIA_MUTATE=1
mkdir -p "$OUT/mutate"
# Every mutant runs the tests it is given: which of them reach it cannot be told with this test runner.
cat >"$OUT/mutate/stryker.json" <<JSON
{ "stryker-config": {
    "project": "Coppia.Core.csproj", "coverage-analysis": "off", "test-runner": "mtp", "test-case-filter": "FullyQualifiedName~$FILTER",
    "mutate": ["**/$FILE"], "reporters": ["progress", "json"], "verbosity": "warning"
} }
JSON
cd tests/Core
dotnet stryker --config-file "../../build/mutate/stryker.json" --output "$OUT/mutate"
need node 'Node.js 20 or later'
exec node "$ROOT/tests/survivors.mjs" "$OUT/mutate/reports/mutation-report.json"
