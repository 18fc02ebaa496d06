#!/usr/bin/env bash
# bin/start killed at random moments, and started again: whatever it was doing, the next start ends well, and what
# was in the database is in it still. STARTS=100 KILLS_SEED=7 for more, and for the same again.
. "$(dirname "$0")/environment.sh"
environment starts
STARTS=${STARTS:-8}
SEED=${KILLS_SEED:-$(date +%s)}
RANDOM=$SEED
echo "seed $SEED, $STARTS starts"

(lock install; ensure_service_user private)
as_whom_it_was_started
use_env "$ASCENT_ENV"

for i in $(seq "$STARTS"); do
    # In a session of its own, so that all that it has begun dies with it, as when a machine goes dark.
    setsid bin/start >"var/test/kills-start.log" 2>&1 &
    pid=$!
    sleep "$((RANDOM % 12)).$((RANDOM % 10))"
    # What a command line says, every user of the machine can read.
    if [ -s "$FOLDER/secrets" ] && seen=$(grep -alFf <(cut -d= -f2 "$FOLDER/secrets") /proc/[0-9]*/cmdline 2>/dev/null); then
        fault "a secret stands on the command line of ${seen//$'\n'/ }"
    fi
    if [ $((RANDOM % 3)) -eq 0 ]; then rm -f "$FOLDER/stamp" "$FOLDER/migrated"; fi
    kill -KILL -- "-$pid" 2>/dev/null || true
    wait "$pid" 2>/dev/null || true
    # Now and then the servers are left without their first process.
    if [ $((RANDOM % 2)) -eq 0 ]; then
        for name in fpm nginx mariadb; do
            if pid=$(server "$name") && [ $((RANDOM % 2)) -eq 0 ]; then kill -KILL "$pid" 2>/dev/null || true; fi
        done
    fi
done
bin/start || fault "after $STARTS starts that were killed it does not start"
port=$(kept_port web)
answers "$port" || fault "nothing answers at $port"
[ "$(db_admin -e 'SELECT COUNT(*) FROM lucid_ascent.studio')" -eq 1 ] || fault 'the demo data is there more than once, or not at all'
people=$(db_admin -e 'SELECT COUNT(*) FROM lucid_ascent.practitioner')
[ "$people" -eq 8 ] || fault "$people people are left of eight"
# Whoever gets hold of the application has neither the database's account nor its files.
refused() { ! as_service "$@" >/dev/null 2>&1 || fault "the application's user may: $*"; }
if [ "$SERVICE_USER" != "$DATABASE_USER" ]; then
    for account in "$SERVICE_USER" "$DATABASE_USER" root; do
        refused mariadb --no-defaults --socket="$DB_SOCKET" --user="$account" -e 'SELECT 1'
    done
    refused ls "$ENV_DIR/mysql"
    refused cat "$ENV_DIR/mysql/ibdata1"
    refused touch "$DB_DIR/anything"
    # As it was when both ran as one user: the next start takes that account away, and keeps what is there.
    db_admin -e "CREATE USER \`$SERVICE_USER\`@localhost IDENTIFIED VIA unix_socket; GRANT ALL ON *.* TO \`$SERVICE_USER\`@localhost WITH GRANT OPTION; DROP USER \`$DATABASE_USER\`@localhost"
    bin/stop >/dev/null
    chown -R "$SERVICE_USER:" "$ENV_DIR/mysql"
    bin/start >/dev/null || fault 'a database of when both ran as one user does not start'
    refused mariadb --no-defaults --socket="$DB_SOCKET" --user="$SERVICE_USER" -e 'SELECT 1'
    [ "$(db_admin -e 'SELECT COUNT(*) FROM lucid_ascent.practitioner')" -eq 8 ] || fault 'somebody is gone with the other user'
fi
bin/stop >/dev/null
nothing_left "$ENV_DIR" || fault 'something runs on'
echo 'ok'
