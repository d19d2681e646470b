# What the machine must have, and how to get it from Debian's packages.

version_at_least() { # HAVE WANTED
  [ "$(printf '%s\n%s\n' "$2" "$1" | sort -V | head -1)" = "$2" ]
}

have_java() { command -v javac >/dev/null && version_at_least "$(javac -version 2>&1 | sed 's/[^0-9]*\([0-9]*\).*/\1/')" 17; }
have_node() { command -v node >/dev/null && command -v npm >/dev/null && version_at_least "$(node --version | tr -d v)" "$NODE_WANTED"; }
pg_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1; }
have_postgres() { [ -n "$(pg_bin)" ] && [ -x "$(pg_bin)/initdb" ] && command -v psql >/dev/null; }

need_java() { have_java || install_packages openjdk-17-jdk-headless; }

need_to_run() {
  local missing=()
  have_java || missing+=(openjdk-17-jdk-headless)
  command -v mvn >/dev/null || missing+=(maven)
  have_postgres || missing+=(postgresql)
  command -v curl >/dev/null || missing+=(curl)
  use_own_node
  if ! have_node && ! command -v npm >/dev/null; then missing+=(npm); fi
  [ ${#missing[@]} -eq 0 ] || install_packages "${missing[@]}"
  have_node || install_node
}

need_chromium() {
  [ -x /usr/bin/chromium ] || install_packages chromium
}

install_packages() {
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then as=(sudo -n); else
      die "Some packages are missing and this account may not install them. Run this once, then try again:
  sudo apt-get update && sudo apt-get install -y --no-install-recommends $*"
    fi
  fi
  say "Installing from Debian's packages: $*"
  # Debian would start a cluster of its own along with PostgreSQL; this project brings its own and wants none.
  if [ "$*" != "${*/postgresql/}" ]; then
    "${as[@]}" mkdir -p /etc/postgresql-common
    [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' | "${as[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
  fi
  "${as[@]}" apt-get update -qq >/dev/null
  "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null \
    || die "The packages could not be installed: $*"
}

# Debian's Node may be too old for Vite; the npm package 'node' carries a newer one.
use_own_node() {
  [ ! -x "$STATE/tools/node_modules/node/bin/node" ] || PATH=$STATE/tools/node_modules/.bin:$STATE/tools/node_modules/node/bin:$PATH
}

install_node() {
  say "Node is too old for the build; getting a newer one from the npm registry into .ladder/tools."
  mkdir -p "$STATE/tools"
  (cd "$STATE/tools" && npm install --no-save --silent --prefix . node@20 npm@11 >/dev/null) || die "Node could not be installed."
  use_own_node
  have_node || die "The newer Node does not start; install Node $NODE_WANTED or newer."
}
