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
    # Logs of steps that were killed are nobody's.
    find "$ROOT/var/install" -name 'step.*' -mmin +120 -delete
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

# Servers never run as root: root lends them system users of their own, the database one that is nobody else's.
SERVICE_USER=$(id -un)
DATABASE_USER=$SERVICE_USER
if [ "$(id -u)" -eq 0 ]; then SERVICE_USER=lucid-ascent DATABASE_USER=lucid-ascent-db; fi

as_user() {
    local user=$1
    shift
    if [ "$(id -un)" = "$user" ]; then "$@"; else runuser -u "$user" -- "$@"; fi
}

as_service() { as_user "$SERVICE_USER" "$@"; }

# as_user_to USER LOG command…: what it says goes to a file that this user opens itself: root opens nothing in a
# folder of another user's, where a name may lead anywhere. What runs on in the background is called with nothing of the
# caller's open.
as_user_to() {
    local user=$1 log=$2
    shift 2
    # One of before that root has opened is laid aside.
    as_user "$user" bash -c 'log=$1; shift; [ ! -e "$log" ] || [ -w "$log" ] || mv -f "$log" "$log.1"; exec "$@" >>"$log" 2>&1' - "$log" "$@"
}

ensure_service_user() {
    if [ "$(id -u)" -ne 0 ]; then return; fi
    if ! id -u lucid-ascent >/dev/null 2>&1; then
        useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin lucid-ascent
    fi
    if ! id -u lucid-ascent-db >/dev/null 2>&1; then
        useradd --system --gid lucid-ascent --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin lucid-ascent-db
    fi
    if as_service test -r "$ROOT/composer.json" && as_service test -x "$ROOT/bin"; then return; fi
    if [ "${1:-}" = private ]; then
        say "The user lucid-ascent cannot read this folder: the test servers run as root, on loopback, for this run only."
        SERVICE_USER=root DATABASE_USER=root
    else
        fail "the user lucid-ascent, as whom the servers run, cannot read $ROOT: move the folder or open it for reading."
    fi
}

# Where a start was never made by root there are no such users, and nothing runs as them.
as_whom_it_was_started() {
    if ! id -u "$SERVICE_USER" >/dev/null 2>&1; then SERVICE_USER=root; fi
    if ! id -u "$DATABASE_USER" >/dev/null 2>&1; then DATABASE_USER=$SERVICE_USER; fi
}

# keep FILE: what comes in, as a file that is there whole or as it was.
keep() {
    if cat >"$1.new" && "${2:-true}" "$1.new" && mv "$1.new" "$1"; then return; fi
    rm -f "$1.new"
    fail "$1 cannot be written: is the disk full?"
}

# keep_for_servers FILE: what root writes and the servers read, and nobody else.
keep_for_servers() { (umask 077; keep "$1" readable_by_service); }
readable_by_service() {
    if [ "$(id -u)" -eq 0 ]; then chown "root:$(id -gn "$SERVICE_USER")" "$1"; fi
    chmod 0640 "$1"
}

# One run at a time of whatever changes the same things.
lock() {
    mkdir -p "$ROOT/var/install"
    exec 9>"$ROOT/var/install/$1.lock"
    flock -n 9 || { say "Waiting for another run to end …"; flock 9; }
}
