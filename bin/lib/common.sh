# Shared by the scripts in bin/: where things are, how they speak, as whom they run.
# shellcheck shell=bash
set -euo pipefail

CALLED_FROM=$PWD
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd -P)
cd "$ROOT"
umask 022
# What the caller's shell has exported is of another installation: with it a test could run as the database's owner.
unset APP_ENV APP_DEBUG APP_SECRET DATABASE_URL
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1 DEBIAN_FRONTEND=noninteractive LC_ALL=C.UTF-8

# A path as whoever called meant it: these scripts work in the project's folder.
as_called() { case $1 in /*) printf '%s' "$1" ;; *) printf '%s' "$CALLED_FROM/$1" ;; esac; }
say() { printf '%s\n' "$*"; }
fail() { printf '%s: %s\n' "$(basename "$0")" "$*" >&2; exit 1; }

# step "what" command…: one line while it runs, a dot every five seconds, the log's end if it fails.
step() {
    local what=$1 log start=$SECONDS beat status=0
    shift
    mkdir -p "$ROOT/var/install"
    log=$(mktemp "$ROOT/var/install/step.XXXXXX")
    printf '%s …' "$what"
    (while sleep 5; do printf '.'; done) 9>&- &
    beat=$!
    "$@" >"$log" 2>&1 </dev/null || status=$?
    kill "$beat" 2>/dev/null || true
    wait "$beat" 2>/dev/null || true
    if [ "$status" -ne 0 ]; then
        printf ' failed\n'
        tail -n 20 "$log" >&2
        rm -f "$log"
        fail "$what failed; running it again continues where it stopped."
    fi
    rm -f "$log"
    printf ' done (%d s)\n' $((SECONDS - start))
}

# Servers never run as root: root lends them a system user of their own.
SERVICE_USER=$(id -un)
if [ "$(id -u)" -eq 0 ]; then SERVICE_USER=lucid-ascent; fi

as_service() {
    if [ "$(id -un)" = "$SERVICE_USER" ]; then "$@"; else runuser -u "$SERVICE_USER" -- "$@"; fi
}

# as_service_to LOG command…: what it says goes to a file that the service user opens itself: root opens nothing in a
# folder of that user's, where a name may lead anywhere. What runs on in the background is called with nothing of the
# caller's open.
as_service_to() {
    local log=$1
    shift
    # One of before that root has opened is laid aside.
    as_service bash -c 'log=$1; shift; [ ! -e "$log" ] || [ -w "$log" ] || mv -f "$log" "$log.1"; exec "$@" >>"$log" 2>&1' - "$log" "$@"
}

ensure_service_user() {
    if [ "$(id -u)" -ne 0 ]; then return; fi
    if ! id -u lucid-ascent >/dev/null 2>&1; then
        useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin lucid-ascent
    fi
    if as_service test -r "$ROOT/composer.json" && as_service test -x "$ROOT/bin"; then return; fi
    if [ "${1:-}" = private ]; then
        say "The user lucid-ascent cannot read this folder: the test servers run as root, on loopback, for this run only."
        SERVICE_USER=root
    else
        fail "the user lucid-ascent, as whom the servers run, cannot read $ROOT: move the folder or open it for reading."
    fi
}

# One run at a time of whatever changes the same things.
lock() {
    mkdir -p "$ROOT/var/install"
    exec 9>"$ROOT/var/install/$1.lock"
    flock -n 9 || { say "Waiting for another run to end …"; flock 9; }
}
