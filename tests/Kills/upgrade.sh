#!/usr/bin/env bash
# The tables of an earlier version, with what a teacher wrote then, under servers that run: the next start brings them up to
# date, nothing is lost, and a posture of the teacher's own is read. UPGRADES=all for every version since such postures are.
. "$(dirname "$0")/environment.sh"
environment upgrade
begun
mkdir "$OUT/backups"
URL="http://127.0.0.1:$(kept_port web)"
SINCE=20261125110000
rows() { db_admin -e "SELECT (SELECT COUNT(*) FROM lucid_ascent.practitioner), (SELECT COUNT(*) FROM lucid_ascent.own_entry)"; }
as_owner() { DATABASE_URL=$(db_url owner "$DB_OWNER_PASSWORD" lucid_ascent) console_as_service "$@"; }
# written: an account, somebody of it and a posture of its own, as every version since has had them; with a studio since
# there are some.
written() {
    local text hash studio='' of='' in='' is='' own=''
    if [ -n "$(db_admin -e "SHOW TABLES FROM lucid_ascent LIKE 'studio'")" ]; then
        studio="INSERT INTO studio (id, at, name, owners_prove_twice) VALUES (@t, @now, '', 0);"
        of=', studio_id, role' in=", @t, 'owner'"
        is=', studio_id' own=', @t'
    fi
    text=$(od -An -tx1 -v tests/App/older/posture-1.yaml | tr -d ' \n')
    hash=$(php -r 'echo password_hash($argv[1], PASSWORD_BCRYPT, ["cost" => 4]);' "$DEMO_PASSWORD")
    db_admin lucid_ascent <<SQL
SET @t = UNHEX(REPLACE(UUID(), '-', '')), @now = UTC_TIMESTAMP(6);
$studio
INSERT INTO teacher (id, email, name, password, created_at$of) VALUES (@t, 'demo@studio.example', 'A Teacher', '$hash', @now$in);
INSERT INTO practitioner (id, teacher_id, name, consented_at, created_at) VALUES (UNHEX(REPLACE(UUID(), '-', '')), @t, 'Somebody Of Before', @now, @now);
INSERT INTO own_entry (id, teacher_id, kind, name, version, adapts, text, at$is) VALUES (UNHEX(REPLACE(UUID(), '-', '')), @t, 'posture', 'my-half-lotus', 1, 'half-lotus', CONVERT(UNHEX('$text') USING utf8mb4), @now$own);
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

# What earlier versions made of the demo: every row is there afterwards, and pages and records say it.
counted() {
    local table
    for table in $(db_admin -e "SHOW TABLES FROM lucid_ascent"); do
        echo "$table $(db_admin -e "SELECT COUNT(*) FROM lucid_ascent.$table")"
    done
}
for demo in tests/Kills/older/demo-*.sql.gz; do
    rm -f "$OUT/jar"
    db_admin -e 'DROP DATABASE lucid_ascent'
    ensure_database lucid_ascent
    gzip -dc "$demo" | db_admin lucid_ascent
    # What lies sealed in it opens with the key of the installation that it is of.
    sealed=${demo%.sql.gz}.sealed-with
    [ ! -e "$sealed" ] || keep_at_rest "$AT_REST_KEY" "$(cat "$sealed")"
    # The password of this installation's demo opens its account.
    db_admin -e "UPDATE lucid_ascent.teacher SET password = '$(php -r 'echo password_hash($argv[1], PASSWORD_BCRYPT, ["cost" => 4]);' "$DEMO_PASSWORD")'"
    # What is counted, chained and kept for a session is no row that anybody wrote.
    counted | grep -vE '^(doctrine_migration_versions|change_count|audit_|sessions|urgency|studio ) *' >"$OUT/before"
    people=$(db_admin -e 'SELECT COUNT(*) FROM lucid_ascent.practitioner')
    somebody=$(db_admin -e 'SELECT MIN(name) FROM lucid_ascent.practitioner')
    [ "$people" -gt 3 ] || fault "$demo is none"
    rm -f "$FOLDER/migrated"
    bin/upgrade "$OUT/backups" >"$OUT/said" 2>&1 || fault "$demo is not brought up to date"
    [ -z "$(counted | grep -vxFf - "$OUT/before" | tee "$OUT/said")" ] || fault "$demo has lost rows, or has others"
    sign_in >/dev/null
    ask / | grep -F "$somebody" >/dev/null || fault "the people of $demo are not there"
    DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" lucid_ascent)
    ids=$(console_as_service ascent:export --teacher=demo@studio.example | php -r 'foreach (json_decode(stream_get_contents(STDIN), true) as $one) { echo $one["id"], "\n"; }')
    [ "$(wc -l <<<"$ids")" -eq "$people" ] || fault "not everybody of $demo can be exported"
    for id in $ids; do
        ask "/practitioners/$id" >"$OUT/said"
        grep -q 'data-reading' "$OUT/said" || fault "somebody of $demo has no reading"
        console_as_service ascent:export --teacher=demo@studio.example "$id" | grep '"bodies"' >/dev/null || fault "a record of $demo cannot be read"
    done
done

# A migration that fails half way leaves the tables as they were, and the version of before goes on with them.
chmod 0755 "$OUT"
cp -r "${INSTALLATION[@]}" "$OUT/"
mkdir -p "$OUT/var/install" "$OUT/copies"
cp var/install/composer*.sum "$OUT/var/install/"
(
    cd "$OUT"
    bin/start >said 2>&1 || fault 'a copy does not start'
    sed "s/Version20261125110000/Version20991231090000/; s/CREATE TABLE own_entry/CREATE TABLE never_wanted/; s/ALTER TABLE own_entry ADD/ALTER TABLE not_there ADD/" \
        migrations/Version20261125110000.php >migrations/Version20991231090000.php
    if bin/upgrade copies >said 2>&1; then fault 'a migration that fails is called done'; fi
    grep -q 'as they were' said || fault 'nobody is told that the tables are as they were'
    ls copies/*.backup >/dev/null || fault 'no backup was made before'
    rm migrations/Version20991231090000.php
    bin/start >said 2>&1 || fault 'the version of before does not go on'
    answers "$(cat "var/env/$ASCENT_ENV/web.port")" || fault 'the version of before does not answer'
    bin/stop >said 2>&1
)
echo "ok, from $(wc -w <<<"$versions") versions and $(ls tests/Kills/older/*.gz | wc -l) demos"
