#!/usr/bin/env bash
# Somebody is erased, moved and merged by whoever runs the installation; and a backup that is put back brings nobody back.
. "$(dirname "$0")/environment.sh"
environment people
begun
BACKUPS=$OUT/backups
mkdir "$BACKUPS"
FIRST=demo@studio.example
SECOND=second@studio.example
printf 'a long enough password\n' | console_as_service ascent:teacher $SECOND Second >/dev/null
# who EMAIL NAME: the id of one of a teacher's people.
who() { console_as_service ascent:export "--teacher=$1" | php -r 'foreach (json_decode(stream_get_contents(STDIN), true) as $one) { if (str_starts_with($one["name"], $argv[1])) { echo $one["id"]; } }' "$2"; }
# told EMAIL ID: what a record says, whoever holds it.
told() { console_as_service ascent:export "--teacher=$1" "$2" | php -r '$r = json_decode(stream_get_contents(STDIN), true); unset($r["exportedAt"], $r["heldBy"]); echo json_encode($r);'; }
# parts EMAIL ID: of how many parts a record is.
parts() { told "$1" "$2" | php -r 'echo array_sum(array_map(fn ($part) => is_array($part) && array_is_list($part) ? count($part) : 0, array_diff_key(json_decode(stream_get_contents(STDIN), true), ["writtenBy" => 0])));'; }

ebba=$(who $FIRST Ebba)
jonas=$(who $FIRST Jonas)
[ -n "$ebba" ] && [ -n "$jonas" ] || fault 'the demo people are not there'
# What lies on the disk is sealed, and goes on being read under another key.
first=$(ls "$FOLDER"/pictures/*.jpg | head -1)
[ -n "$first" ] || fault 'the demo has no picture'
[ "$(head -c 3 "$first")" = LA1 ] || fault 'a picture lies on the disk as it is'
key_before=$(cat "$FOLDER/at-rest")
said_before=$(told $FIRST "$ebba")
# words WHICH: how many of what somebody has said lie in the database so.
words() { db_admin -e "SELECT COUNT(*) FROM lucid_ascent.own_word WHERE text <> '' AND text $1 'sealed:%'"; }
[ "$(words 'NOT LIKE')" -eq 0 ] && [ "$(words LIKE)" -gt 0 ] || fault 'words lie in the database as they were said'
bin/turn-key >"$BACKUPS.said" || fault "the key cannot be turned: $(cat "$BACKUPS.said")"
[ "$(cat "$FOLDER/at-rest")" != "$key_before" ] || fault 'the key is as it was'
[ "$(wc -l <"$FOLDER/at-rest")" -eq 1 ] || fault 'the old key is there still'
load_secrets
[ "$(told $FIRST "$ebba")" = "$said_before" ] || fault 'under another key a record says something else'
bin/backup "$BACKUPS" >"$BACKUPS.said"
key=$(key_in "$BACKUPS.said")
backup=$(ls "$BACKUPS"/*.backup)
[ "$(grep -aci 'insert into\|lindqvar' "$backup")" -eq 0 ] || fault 'a backup can be read by anybody'
if grep -rqai "$(printf '%s' "$key" | tr -d ' ')" "$FOLDER" --exclude-dir=mysql; then fault 'the key to backups is kept on the machine'; fi

# Asked twice, and a wrong answer does nothing.
for wrong in 'Somebody else\nerase\n' 'Ebba Lindqvar\nyes\n' ''; do
    if printf "$wrong" | bin/person erase --teacher=$FIRST "$ebba" >/dev/null 2>&1; then fault 'it erased without being told to'; fi
done
if printf 'Ebba Lindqvar\nerase\n' | bin/person erase --teacher=$SECOND "$ebba" >/dev/null 2>&1; then fault "another teacher's person was erased"; fi
[ "$(who $FIRST Ebba)" = "$ebba" ] || fault 'she is gone without a yes'
said=$(printf 'Ebba Lindqvar\nerase\n' | bin/person erase --teacher=$FIRST "$ebba")
case $said in *"$backup"*) ;; *) fault "it does not say which backup holds her: $said" ;; esac
[ -z "$(who $FIRST Ebba)" ] || fault 'she is there still'
hex=$(printf '%s' "$ebba" | tr -d '-' | tr '[:lower:]' '[:upper:]')
left=$(dump_database lucid_ascent | grep -a "^INSERT INTO" | grep -av '^INSERT INTO `erased`' | grep -av '^INSERT INTO `audit_entry`' | grep -acE "Ebba|0x$hex" || true)
[ "$left" -eq 0 ] || fault "$left rows still speak of her"
[ "$(db_admin -e "SELECT COUNT(*) FROM lucid_ascent.erased WHERE HEX(id) = '$hex'")" -eq 1 ] || fault 'there is no tombstone'
[ "$(db_admin -e "SELECT COUNT(*) FROM lucid_ascent.audit_entry WHERE action = 'erase' AND HEX(whom) = '$hex'")" -eq 1 ] || fault 'nobody can tell that she was erased'
bin/audit verify >/dev/null || fault 'what is written down of who did what is not whole'

# Moved, the record says the same; the first account has one less.
before=$(told $FIRST "$jonas")
printf 'Jonas Erlesand\nmove\n' | bin/person move --teacher=$FIRST "$jonas" $SECOND >/dev/null
[ -z "$(who $FIRST Jonas)" ] || fault 'he is in the first account still'
[ "$(told $SECOND "$jonas")" = "$before" ] || fault 'moved, his record says something else'

# Entered twice, two become one.
maren=$(who $FIRST Maren)
console_as_service ascent:export --format=zip --teacher=$FIRST "$maren" | console_as_service ascent:import --teacher=$SECOND >/dev/null
twice=$(who $SECOND Maren)
both=$(($(parts $SECOND "$jonas") + $(parts $SECOND "$twice")))
printf 'Maren Tolvik\nmerge\n' | bin/person merge --teacher=$SECOND "$twice" "$jonas" >/dev/null
[ -z "$(who $SECOND Maren)" ] || fault 'both are there still'
[ "$(parts $SECOND "$jonas")" -eq "$both" ] || fault "of $both parts $(parts $SECOND "$jonas") are left"
hex=$(printf '%s' "$jonas" | tr -d '-' | tr '[:lower:]' '[:upper:]')
[ "$(db_admin -e "SELECT COUNT(*) FROM lucid_ascent.merged WHERE HEX(into_id) = '$hex'")" -eq 1 ] || fault 'no id of before leads to who stays'

# A backup of before brings everything back but who was erased since.
bin/stop >/dev/null
secret=$(grep '^APP_SECRET=' "$FOLDER/secrets")
rm -rf "$FOLDER/mysql" "$FOLDER/demo.loaded" "$FOLDER/migrated" "$FOLDER/secrets" "$FOLDER/at-rest"
head -c 5000 "$backup" >"$BACKUPS.short"
for wrong in "$BACKUPS.short" "$backup"; do
    if BACKUP_KEY=$(printf '0%.0s' $(seq 64)) bin/restore "$wrong" >/dev/null 2>&1; then fault 'a backup opens with any key'; fi
done
if BACKUP_KEY=$key bin/restore "$BACKUPS.short" >/dev/null 2>&1; then fault 'half a backup is put back'; fi
BACKUP_KEY=$key bin/restore "$backup" >/dev/null
begun
load_secrets
DATABASE_URL=$(db_url owner "$DB_OWNER_PASSWORD" lucid_ascent) console_as_service ascent:seal-again | grep -q 'here: 0\.$' || fault 'put back, pictures do not open'
bin/audit verify >/dev/null || fault 'put back, what was written down of who did what is not whole'
grep -qx "$secret" "$FOLDER/secrets" || fault 'what waits on devices can be read by nobody any more'
[ "$(told $FIRST "$jonas")" = "$before" ] || fault 'what was backed up is not there again'
[ -z "$(who $FIRST Ebba)" ] || fault 'the backup has brought back who was erased'
echo 'ok'
