# Sourced by ./coppia watch: the demo server, built again on every save, and the front end, which reloads itself.
DESCRIBED=true build_server
install_web
DEMO=$(mktemp -d)
trap 'kill 0; rm -rf "$DEMO"' EXIT INT TERM
dotnet watch --project src/Coppia.Server --non-interactive -- --demo "$ROOT/demo" --data "$DEMO" --port 4710 &
npm run dev --prefix web
