# Sourced by ./coppia test dates: the server's tests, and those of the core, on other days than today.
if ! command -v faketime >/dev/null 2>&1; then
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; then
    echo 'Installing faketime …' >&2
    apt-get update -qq >/dev/null && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq faketime >/dev/null
  else
    fail 'other days need faketime; install Debian’s package faketime'
  fi
fi

export FAKETIME_DONT_FAKE_MONOTONIC=1
status=0
for suite in Core Server; do
  build "$suite"
  # In forty days, in two hundred, over the turn of a year and over the day that only some years have.
  for day in +40d +200d '@2027-12-31 23:59:30' '@2028-02-28 23:59:30'; do
    echo "$suite, $day"
    faketime -f "$day" dotnet exec "tests/$suite/bin/Debug/net10.0/Coppia.$suite.Tests.dll" -noLogo -noColor | tail -n 3 || status=1
  done
done
