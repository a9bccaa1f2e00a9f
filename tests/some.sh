# Sourced by ./coppia test NAME: one suite, or the tests whose class or name holds NAME; quick answers for one who works.
SUITES='Architecture Core Formats Server Reference Browser'
NAME=$1
export COPPIA_QUICK=1

build() {
  local restore=--no-restore
  if changed "tests/$1/obj/project.assets.json" Directory.Packages.props Directory.Build.props tests/Directory.Build.props src/*/*.csproj "tests/$1"/*.csproj; then
    restore=
  fi
  # No analysis: the whole run does that. The compiler stays in memory for the next time.
  dotnet build "tests/$1" $restore -v q -nologo -clp:NoSummary -p:UseSharedCompilation=true -p:Optimize=true -p:RunAnalyzers=false -p:EnforceCodeStyleInBuild=false \
    -p:GenerateDocumentationFile=false || exit 1
}

run() {
  local suite=$1
  shift
  [ "$suite" != Browser ] || { build_web; source "$ROOT/tests/browser.sh"; }
  [ "$suite" != Reference ] || install_web
  build "$suite"
  dotnet exec "tests/$suite/bin/Debug/net10.0/Coppia.$suite.Tests.dll" -noLogo -noColor "$@"
}

for suite in $SUITES; do
  if [ "${suite,,}" = "${NAME,,}" ]; then run "$suite"; exit; fi
done
if [ "${NAME,,}" = dates ]; then source "$ROOT/tests/dates.sh"; exit $status; fi
if [ "${NAME,,}" = web ]; then install_web; exec npm run -s test --prefix web; fi

# The suites in whose sources the name stands.
found=$(grep -rlE "(class|void|Task) [A-Za-z_0-9]*$NAME" tests --include='*.cs' | grep -v /obj/ | cut -d/ -f2 | sort -u || true)
[ -n "$found" ] || fail "no suite and no test is called “$NAME”; the suites are $SUITES web"
status=0
for suite in $found; do
  run "$suite" -method "*$NAME*" || status=1
done
exit $status
