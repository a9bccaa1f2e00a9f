# Sourced: makes sure that Debian's Chromium and its driver are there.
if ! command -v chromium >/dev/null 2>&1 || ! command -v chromedriver >/dev/null 2>&1; then
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; then
    echo 'Installing chromium and chromium-driver …' >&2
    apt-get update -qq >/dev/null && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium chromium-driver >/dev/null
  else
    fail 'the interface tests need chromium and chromedriver; install Debian’s packages chromium and chromium-driver'
  fi
fi
