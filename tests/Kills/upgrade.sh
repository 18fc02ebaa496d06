#!/usr/bin/env bash
# The tables of an earlier version, with what a teacher wrote then, under servers that run: the next start brings them up to
# date, nothing is lost, and a posture of the teacher's own is read. UPGRADES=all for every version since such postures are.
. "$(dirname "$0")/environment.sh"
environment upgrade
begun
URL="http://127.0.0.1:$(kept_port web)"
SINCE=20261125110000
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
    rm -f "$OUT/jar"
    db_admin -e 'DROP DATABASE lucid_ascent'
    ensure_database lucid_ascent
    as_owner doctrine:migrations:migrate "LucidAscent\\Migrations\\Version$version" >"$OUT/said" 2>&1 || fault "the tables of $version cannot be had"
    written
    before=$(rows)
    rm -f "$FOLDER/migrated"
    # Nor do servers run on with the configuration of before.
    echo '# of an earlier version' >>"$FOLDER/nginx.conf"
    was=$(server nginx)
    bin/start >"$OUT/said" 2>&1 || fault "from $version it does not start"
    [ "$(server nginx)" != "$was" ] || fault "from $version the web server runs on as it was"
    [ "$(rows)" = "$before" ] || fault "from $version $(rows) are left of $before"
    sign_in >/dev/null
    ask /library | grep -q 'My half lotus' || fault "from $version the teacher's own posture is gone"
    ask / | grep -q 'Somebody Of Before' || fault "from $version the people are gone"
done
echo "ok, from $(wc -w <<<"$versions") versions"
