# Shared by start, test and bench. Sourced, with ROOT set and `set -euo pipefail` in force.

STATE="$ROOT/.kondiba"
(umask 022 && mkdir -p "$STATE")
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1 DOTNET_SKIP_FIRST_TIME_EXPERIENCE=1

say() { printf '%s\n' "$*"; }
die() {
  printf 'kondiba: %s\n' "$*" >&2
  exit 1
}

# need_tool COMMAND "what it is and where to get it"
need_tool() { command -v "$1" >/dev/null 2>&1 || die "$1 is missing: install $2."; }

need_sdk() {
  need_tool git "git (apt-get install git)"
  need_tool node "Node.js 20.19 or later"
  need_tool npm "npm, which comes with Node.js"
  need_tool dotnet "the .NET 10 SDK"
  dotnet --list-sdks | grep -q '^10\.' || die "the .NET 10 SDK is missing: $(dotnet --version 2>/dev/null || echo none) is there. Install .NET SDK 10."
}

# need_debian FILE PACKAGE...: installs Debian packages unless FILE (a glob) is there.
need_debian() {
  local glob=$1
  shift
  compgen -G "$glob" >/dev/null && return
  local -a admin=()
  if [ "$(id -u)" != 0 ]; then
    command -v sudo >/dev/null 2>&1 && sudo -n true 2>/dev/null || die "$1 is missing: run 'sudo apt-get install $*' once, then this again."
    admin=(sudo -n)
  fi
  command -v apt-get >/dev/null 2>&1 || die "$1 is missing and this is not Debian: install $* by hand."
  say "Installing $* from Debian's packages ..."
  # Kondiba runs a cluster of its own, so Debian need not make one.
  if [ "$1" = postgresql ] && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    "${admin[@]}" mkdir -p /etc/postgresql-common
    echo 'create_main_cluster = false' | "${admin[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
  fi
  { "${admin[@]}" apt-get update -qq && "${admin[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq \
    -o Dpkg::Options::=--force-confold "$@"; } >"$STATE/apt.log" 2>&1 || die "apt-get could not install $*: see $STATE/apt.log."
  compgen -G "$glob" >/dev/null || die "apt-get installed $* but $glob is not there: see $STATE/apt.log."
}

# The browser that the tests drive.
need_browser() {
  need_debian /usr/bin/chromium chromium
  need_debian /usr/bin/chromedriver chromium-driver
}

# fresh NAME PATH...: whether PATHs are as they were when done NAME was called; otherwise remembers what to remember.
fingerprint() { (cd "$ROOT" && git ls-files -z -co --exclude-standard -- "$@" | sort -z | { xargs -0 sha256sum 2>/dev/null || true; } | sha256sum); }
fresh() {
  local name=$1
  shift
  [ -f "$STATE/$name.done" ] && [ "$(fingerprint "$@")" = "$(cat "$STATE/$name.done")" ]
}
done_with() {
  local name=$1
  shift
  fingerprint "$@" >"$STATE/$name.done"
}

client_packages() {
  if ! fresh npm src/client/package.json src/client/package-lock.json || [ ! -d "$ROOT/src/client/node_modules" ]; then
    say "Installing the client's packages ..."
    (cd "$ROOT/src/client" && npm ci --no-audit --no-fund --loglevel=error) >"$STATE/npm.log" 2>&1 || die "npm ci failed: see $STATE/npm.log."
    done_with npm src/client/package.json src/client/package-lock.json
  fi
}

client_build() {
  if ! fresh client src/client || [ ! -f "$ROOT/src/Kondiba.Web/wwwroot/index.html" ]; then
    say "Building the client ..."
    (cd "$ROOT/src/client" && npm run --silent build) >"$STATE/client.log" 2>&1 || die "the client does not build: see $STATE/client.log."
    done_with client src/client
  fi
}

port_busy() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() {
  local port=$1
  while port_busy "$port"; do port=$((port + 1)); done
  echo "$port"
}
secret() { head -c 24 /dev/urandom | base64 | tr '+/' '-_'; }

# As the user that may run PostgreSQL: the postgres user when this is root, otherwise oneself.
as_postgres() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else (cd / && "$@"); fi
}

# Where the cluster of a name is: PG_DIR.
pg_place() {
  local name=$1
  PG_DIR="$STATE/$name"
  if [ "$(id -u)" = 0 ] && ! as_postgres test -x "$STATE" 2>/dev/null; then
    # The postgres user cannot reach a folder below a closed one: the cluster goes where it can.
    [ -s "$STATE/$name.place" ] || echo "/var/lib/postgresql/kondiba-$(secret | tr -dc 'a-z0-9' | head -c 12)" >"$STATE/$name.place"
    PG_DIR=$(cat "$STATE/$name.place")
  fi
}

# The programs of the version that made the cluster; of the newest for one that is still to be made.
pg_binaries() {
  local version
  if version=$(as_postgres cat "$PG_DIR/PG_VERSION" 2>/dev/null); then
    PG_BIN=/usr/lib/postgresql/$version/bin
    [ -x "$PG_BIN/postgres" ] || die "the data are PostgreSQL $version's, which is not installed: apt-get install postgresql-$version."
  else
    PG_BIN=$(dirname "$(compgen -G '/usr/lib/postgresql/*/bin/postgres' | sort -V | tail -n 1)")
  fi
}

# pg_up NAME [SETTING...]: starts a cluster of that name on loopback, made when it is not there. Sets PG_DIR and KONDIBA_CONNECTION.
pg_up() {
  local name=$1 setting options=""
  shift
  need_debian '/usr/lib/postgresql/*/bin/postgres' postgresql
  umask 022
  if [ ! -s "$STATE/$name.password" ]; then (
    umask 077
    secret >"$STATE/$name.password"
  ); fi
  pg_place "$name"
  pg_binaries
  if ! as_postgres test -s "$PG_DIR/PG_VERSION"; then
    # Made aside and then put in place, so that one that was broken off is never taken for a whole one.
    local made="$PG_DIR.made"
    rm -rf "$made"
    [ "$(id -u)" != 0 ] || install -d -m 700 -o postgres -g postgres "$made"
    # shellcheck disable=SC2016 # expanded by the inner shell
    as_postgres bash -c 'umask 077; f=$(mktemp); trap "rm -f $f" EXIT; cat >"$f"
      "$1/initdb" -D "$2" -U kondiba --pwfile="$f" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 --data-checksums' \
      - "$PG_BIN" "$made" <"$STATE/$name.password" >"$STATE/$name-init.log" 2>&1 ||
      die "the database could not be made: see $STATE/$name-init.log."
    rm -rf "$PG_DIR"
    mv "$made" "$PG_DIR"
  fi
  pg_down # what a killed run left behind
  local port
  port=$(free_port 54320)
  for setting in listen_addresses=127.0.0.1 unix_socket_directories= "port=$port" "$@"; do options+=" -c $setting"; done
  as_postgres "$PG_BIN/pg_ctl" start -s -w -t 60 -D "$PG_DIR" -l "$PG_DIR/server.log" -o "$options" >/dev/null 2>&1 9>&- ||
    die "the database does not come up: see $PG_DIR/server.log."
  KONDIBA_CONNECTION="Host=127.0.0.1;Port=$port;Username=kondiba;Password=$(cat "$STATE/$name.password")"
}

# Whether the cluster runs; asked every second, so by its process and not by a program of its own.
pg_runs() {
  local pid
  pid=$(head -n 1 "$PG_DIR/postmaster.pid" 2>/dev/null) && kill -0 "$pid" 2>/dev/null
}

pg_down() {
  [ -n "${PG_DIR:-}" ] && pg_runs || return 0
  as_postgres "$PG_BIN/pg_ctl" stop -s -m fast -D "$PG_DIR" >/dev/null 2>&1 || true
}
