# An installation of its own under var/env/, begun anew, and gone when the script that reads this ends.
# shellcheck shell=bash
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/../.."

fault() { echo "FAULT: $*"; cat "$OUT/said" 2>/dev/null || true; exit 1; }
# A script that has more to leave does that in `also_leave`.
leave() {
    also_leave
    bin/stop >/dev/null 2>&1 || true
    rm -rf "$FOLDER" "$OUT"
}
also_leave() { :; }

# environment NAME: none of that name runs or is there.
environment() {
    export ASCENT_ENV=$1
    FOLDER=var/env/$1
    OUT=$(mktemp -d)
    trap leave EXIT
    bin/stop >/dev/null
    rm -rf "$FOLDER"
    . bin/lib/common.sh
    . bin/lib/services.sh
}

# begun: it runs, and what the scripts in bin/ know of it is known here.
begun() {
    bin/start >/dev/null
    as_whom_it_was_started
    use_env "$ASCENT_ENV"
    load_secrets
    STAMP=$(cat "$ENV_DIR/stamp")
    DB_PORT=$(kept_port mariadb)
    DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" lucid_ascent)
}

# What an installation elsewhere is a copy of.
INSTALLATION=(.env bin catalogue composer.json config core migrations public src templates translations vendor)

# key_in FILE: the key to backups that was shown.
key_in() { grep -aoE '([0-9A-F]{4} ){15}[0-9A-F]{4}' "$1" | tail -1; }

# answers PORT: whether a page comes from there.
answers() { php -r 'exit(false === @file_get_contents("http://127.0.0.1:".$argv[1]."/sign-in") ? 1 : 0);' "$1"; }

# nothing_left PATH: whether nothing runs any more whose command line names it; what ends takes a moment to be gone.
nothing_left() {
    local tries=50
    while grep -aqF -- "$1" /proc/[0-9]*/cmdline 2>/dev/null; do
        [ "$tries" -gt 0 ] || { grep -alF -- "$1" /proc/[0-9]*/cmdline 2>/dev/null | xargs -r -n1 sh -c 'tr "\\0" " " <"$1"; echo' -; return 1; }
        sleep 0.1
        tries=$((tries - 1))
    done
}

# ask PATH [NAME=VALUE…]: one request to $URL with the cookies of those before.
ask() { local path=$1; shift; php tests/Kills/ask.php "$URL$path" "$OUT/jar" "$@"; }
# value NAME: of the first field of that name in what comes in.
value() { grep -o "name=\"$1\" value=\"[^\"]*\"" | head -1 | cut -d'"' -f4; }
sign_in() { ask /sign-in email=demo@studio.example "password=$DEMO_PASSWORD" "_csrf_token=$(ask /sign-in | value _csrf_token)"; }
