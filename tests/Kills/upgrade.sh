#!/usr/bin/env bash
# The tables of an earlier version, with what a teacher wrote then, under servers that run: the next start brings them up to
# date, nothing is lost, and a posture of the teacher's own is read. UPGRADES=all for every version since such postures are.
set -euo pipefail
cd "$(dirname "$0")/../.."
export ASCENT_ENV=upgrade
FOLDER=var/env/$ASCENT_ENV
JAR=$(mktemp -d)
trap 'bin/stop >/dev/null 2>&1 || true; rm -rf "$FOLDER" "$JAR"' EXIT
bin/stop >/dev/null
rm -rf "$FOLDER"
fault() { echo "FAULT: $*"; exit 1; }
bin/start >/dev/null
. bin/lib/common.sh
. bin/lib/services.sh
as_whom_it_was_started
use_env "$ASCENT_ENV"
load_secrets
DB_PORT=$(kept_port mariadb)
STAMP=$(cat "$ENV_DIR/stamp")
URL="http://127.0.0.1:$(kept_port web)"
SINCE=20261125110000

# ask PATH [NAME=VALUE…], value NAME: as somebody who signs in.
ask() { local path=$1; shift; php tests/Kills/ask.php "$URL$path" "$JAR/jar" "$@"; }
value() { grep -o "name=\"$1\" value=\"[^\"]*\"" | head -1 | cut -d'"' -f4; }
sign_in() { ask /sign-in email=demo@studio.example "password=$DEMO_PASSWORD" "_csrf_token=$(ask /sign-in | value _csrf_token)" >/dev/null; }
rows() { db_admin -e "SELECT (SELECT COUNT(*) FROM lucid_ascent.practitioner), (SELECT COUNT(*) FROM lucid_ascent.own_entry)"; }
as_owner() { DATABASE_URL=$(db_url owner "$DB_OWNER_PASSWORD" lucid_ascent) console_as_service "$@"; }
# written: an account, somebody of it and a posture of its own, as every version since has had them.
written() {
    local text hash
    text=$(od -An -tx1 -v tests/App/older/posture-1.yaml | tr -d ' \n')
    hash=$(php -r 'echo password_hash($argv[1], PASSWORD_BCRYPT, ["cost" => 4]);' "$DEMO_PASSWORD")
    db_admin lucid_ascent <<SQL
SET @t = UNHEX(REPLACE(UUID(), '-', '')), @now = UTC_TIMESTAMP(6);
INSERT INTO teacher (id, email, name, password, created_at) VALUES (@t, 'demo@studio.example', 'A Teacher', '$hash', @now);
INSERT INTO practitioner (id, teacher_id, name, consented_at, created_at) VALUES (UNHEX(REPLACE(UUID(), '-', '')), @t, 'Somebody Of Before', @now, @now);
INSERT INTO own_entry (id, teacher_id, kind, name, version, adapts, text, at) VALUES (UNHEX(REPLACE(UUID(), '-', '')), @t, 'posture', 'my-half-lotus', 1, 'half-lotus', CONVERT(UNHEX('$text') USING utf8mb4), @now);
SQL
}

versions=$(cd migrations && ls Version*.php | sed 's/[^0-9]//g' | awk -v since="$SINCE" '$1 >= since' | sed '$d')
[ "${UPGRADES:-}" = all ] || versions=$(sed -n '1p;$p' <<<"$versions")
for version in $versions; do
    rm -f "$JAR/jar"
    db_admin -e 'DROP DATABASE lucid_ascent'
    ensure_database lucid_ascent
    as_owner doctrine:migrations:migrate "LucidAscent\\Migrations\\Version$version" >"$JAR/said" 2>&1 || { cat "$JAR/said"; fault "the tables of $version cannot be had"; }
    written
    before=$(rows)
    rm -f "$FOLDER/migrated"
    bin/start >"$JAR/said" 2>&1 || { cat "$JAR/said"; fault "from $version it does not start"; }
    [ "$(rows)" = "$before" ] || fault "from $version $(rows) are left of $before"
    sign_in
    ask /library | grep -q 'My half lotus' || fault "from $version the teacher's own posture is gone"
    ask / | grep -q 'Somebody Of Before' || fault "from $version the people are gone"
done
echo "ok, from $(wc -w <<<"$versions") versions"
