#!/usr/bin/env bash
# Run by somebody who is not root, in a folder of their own with a blank in its name: start, backup, stop, restore.
. "$(dirname "$0")/environment.sh"
if [ "$(id -u)" -ne 0 ]; then echo 'ok: every other script is run by an ordinary user already'; exit 0; fi
PLACE=$(mktemp -d)
OUT=$PLACE
COPY="$PLACE/of my own"
by_them() { (cd "$COPY" && env -i PATH="$PATH" HOME="$PLACE" ASCENT_ENV=ordinary runuser -u nobody -- "$@") >>"$PLACE/said" 2>&1 </dev/null; }
trap 'by_them bin/stop || true; rm -rf "$PLACE"' EXIT
chmod 0755 "$PLACE"
# copied FOLDER: there, from now on.
copied() {
    COPY=$1
    mkdir -p "$COPY/var/install"
    cp -r "${INSTALLATION[@]}" "$COPY/"
    cp var/install/composer*.sum "$COPY/var/install/"
    chown -R nobody: "$COPY"
}
# rows NAME: what is in each row of each table, as one number a table; a backup is itself written down after it was made.
rows() {
    by_them bash -c '. bin/lib/common.sh; . bin/lib/services.sh; as_whom_it_was_started; use_env ordinary; load_secrets
        for table in $(db_admin -e "SHOW TABLES FROM lucid_ascent" | grep -v "^audit_"); do
            db_admin -e "CHECKSUM TABLE lucid_ascent.$table"
        done >"$0"' "$PLACE/copies/$1"
    [ "$(wc -l <"$PLACE/copies/$1")" -gt 40 ] || fault 'the tables cannot be read'
}
copied "$COPY"
touch "$PLACE/said"
chmod 0666 "$PLACE/said"
port() { cat "$COPY/var/env/ordinary/web.port"; }

mkdir -p "$COPY/var/env/ordinary"
printf 'BINARY_LOG=3\n' >"$COPY/var/env/ordinary/settings"
chown -R nobody: "$COPY/var"
by_them bin/start || fault 'it does not start'
answers "$(port)" || fault 'it does not answer'
mkdir -m 0777 "$PLACE/copies"
by_them bin/backup "$PLACE/copies" || fault 'no backup is made'
key=$(key_in "$PLACE/said")
rows before
# What is written after the backup is in the logs: what was right, and, a moment later, what should not have been.
written() { by_them bash -c '. bin/lib/common.sh; . bin/lib/services.sh; as_whom_it_was_started; use_env ordinary; load_secrets; db_admin lucid_ascent -e "$0"' "$1"; }
written "UPDATE teacher SET name = 'Written after the backup' WHERE email = 'demo@studio.example'" || fault 'nothing can be written'
sleep 2
until=$(date -u '+%Y-%m-%d %H:%M:%S')
sleep 2
rows later
written "UPDATE teacher SET name = 'Written by mistake'" || fault 'nothing can be written'
by_them bin/stop || fault 'it does not stop'
mkdir -m 0755 "$PLACE/logs"
cp "$COPY"/var/env/ordinary/mysql/binlog.* "$PLACE/logs/"
chown -R nobody: "$PLACE/logs"
# On another machine there is nothing of this one but the file and its key.
rm -rf "$COPY"
copied "$PLACE/another machine"
by_them env "BACKUP_KEY=$key" bin/restore "$PLACE"/copies/*.backup || fault 'a backup is not put back'
rows after
diff "$PLACE/copies/before" "$PLACE/copies/after" >"$PLACE/said" || fault 'a row is not as it was'
# To a minute: all of it up to then, and nothing of what came after.
by_them bin/stop || fault 'it does not stop'
rm -rf "$COPY"
copied "$PLACE/a third machine"
began=$SECONDS
by_them env "BACKUP_KEY=$key" bin/restore "$PLACE"/copies/*.backup "--until=$until" "--log=$PLACE/logs" || fault 'what was written after a backup is not written again'
echo "Put back to a second within $((SECONDS - began)) s."
rows again
diff "$PLACE/copies/later" "$PLACE/copies/again" >"$PLACE/said" || fault 'it is not as it was at that second'
by_them bin/start || fault 'what was put back does not start'
answers "$(port)" || fault 'what was put back does not answer'
[ -z "$(find "$COPY/var/env" ! -user nobody -print -quit)" ] || fault "something of it is somebody else's"
by_them bin/stop || fault 'it does not stop'
nothing_left "$COPY/var" || fault 'something runs on'
echo 'ok'
