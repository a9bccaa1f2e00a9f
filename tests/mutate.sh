# Sourced by ./coppia mutate FILE [FILTER]: changes one source file of the core in small ways and sees whether its tests notice.
# FILTER is a part of the names of the tests that stand for the file; without it the tests that name the file's class.
FILE=${1:-}
[ -n "$FILE" ] || fail 'usage: coppia mutate FILE [FILTER], FILE as in Fingering/CrossingRules.cs'
[ -e "src/Coppia.Core/$FILE" ] || fail "there is no src/Coppia.Core/$FILE"
FILTER=${2:-$(basename "$FILE" .cs)}
export COPPIA_QUICK=1
cd tests/Core
exec dotnet stryker --project Coppia.Core.csproj --mutate "**/$FILE" --test-runner vstest --coverage-analysis off \
  --test-case-filter "FullyQualifiedName~$FILTER" --reporter cleartext --reporter progress --output "$OUT/mutate" --verbosity warning
