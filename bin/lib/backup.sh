# Copies of everything that a teacher has put in, and back.
# shellcheck shell=bash

# How many rows each table of records has. Drafts and sessions come and go, and are left out.
count_rows() {
    local tables table count
    tables=$(db_admin -e "SHOW TABLES FROM $1") || return 1
    for table in $tables; do
        case $table in draft|sessions) continue ;; esac
        count=$(db_admin -e "SELECT COUNT(*) FROM $1.\`$table\`") && printf '%s %s\n' "$table" "$count" || return 1
    done
}

# fewer_rows BEFORE AFTER: tables of the first list that have fewer rows in the second.
fewer_rows() {
    local table count
    while read -r table count; do
        [ "$(awk -v t="$table" '$1 == t { print $2 }' "$2")" -ge "$count" ] 2>/dev/null || printf '%s ' "$table"
    done <"$1"
}

# with_scratch_database COMMAND…: a database of its own beside the one that runs, for as long as the command takes. Where that
# one is elsewhere this machine starts one: nodes would all have to make what nobody needs.
with_scratch_database() {
    local status=0
    if [ -n "$DATABASE_AT" ]; then
        (use_env "$ENV_NAME-proof"; trap 'stop_one mariadb TERM; rm -rf "${ENV_DIR:?}/mysql"' EXIT
            DATABASE_AT='' DATABASE_MEMORY=64
            start_mariadb 33170 && db_admin -e "CREATE DATABASE $SCRATCH CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci" && "$@")
        return
    fi
    local socket=$DB_SOCKET
    db_admin -e "DROP DATABASE IF EXISTS $SCRATCH; CREATE DATABASE $SCRATCH CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci" && "$@" || status=$?
    DB_SOCKET=$socket db_admin -e "DROP DATABASE IF EXISTS $SCRATCH" || status=1
    return "$status"
}
SCRATCH=lucid_ascent_proof

# Backups of an installation are worth this long; older ones in the same folder go once a newer one is proved.
KEEP_DAYS=90

# remember_backup FILE: so that whoever is erased can be told where copies are.
remember_backup() {
    printf '%s\n' "$1" >>"$ENV_DIR/backups"
    find "$(dirname "$1")" -maxdepth 1 -type f \( -name 'lucid-ascent-????????-??????.backup' -o -name 'lucid-ascent-????????-??????.tar.gz' \) -mtime "+$KEEP_DAYS" -delete
}

# say_backups: those that are still there, and until when.
say_backups() {
    local file any=''
    while IFS= read -r file; do
        [ -e "$file" ] || continue
        any=1
        say "Still in the backup $file, until $(date -u -d "@$(($(stat -c %Y "$file") + KEEP_DAYS * 86400))" +%Y-%m-%d): the next bin/backup into that folder after it removes it."
    done < <(sort -u "$ENV_DIR/backups" 2>/dev/null)
    [ -n "$any" ] || say 'No backup that was made here is where it was made; copies elsewhere are for whoever made them to remove.'
}

# keeps_log: whether what is written is kept as well; a dump then says up to where it has it.
keeps_log() { [ "$(db_admin -e 'SELECT @@log_bin')" = 1 ]; }

# write_again FOLDER MOMENT: what was written between the dump in FOLDER and a moment, out of the logs in LOG.
write_again() {
    local file at
    read -r file at < <(sed -n "s/^-- CHANGE MASTER TO MASTER_LOG_FILE='\([^']*\)', MASTER_LOG_POS=\([0-9]*\);.*/\1 \2/p" "$1/database.sql" | head -1)
    [ -n "$at" ] || { say 'The backup does not say up to where it has what was written: it was made without BINARY_LOG.' >&2; return 1; }
    [ -r "$LOG/$file" ] || { say "There is no $file in $LOG." >&2; return 1; }
    local -a files
    mapfile -t files < <(cd "$LOG" && ls | grep -E "^${file%.*}\.[0-9]+\$" | awk -v first="$file" '$0 >= first')
    # A file that ends half way, as its machine did, is read up to there.
    (cd "$LOG" && TZ=UTC mariadb-binlog --no-defaults --force-read --database=lucid_ascent --start-position="$at" --stop-datetime="$2" "${files[@]}") >"$1/again.sql" &&
        db_admin <"$1/again.sql"
}

# make_backup FILE: the database as it is at one moment, the pictures, the secret without which what waits on devices cannot
# be read, and what proves them. It has its name when it is whole and on the disk. Each step says whether it went well:
# whoever asks that of the whole gets no end at the first fault.
make_backup() {
    local file=$1 folder
    folder=$(mktemp -d "$ENV_DIR/dumps/backup.XXXXXX") || return 1
    mkdir "$folder/pictures" &&
        count_rows lucid_ascent >"$folder/before" &&
        dump_database lucid_ascent $(! keeps_log || printf -- --master-data=2) >"$folder/database.sql" &&
        copy_pictures out "$folder/pictures" &&
        sed -n 's/^APP_SECRET=//p' "$ENV_DIR/secrets" >"$folder/app-secret" &&
        cp "$ENV_DIR/at-rest" "$folder/at-rest" &&
        audit_seal >"$folder/audit-seal" &&
        with_scratch_database prove_dump "$folder" &&
        rm "$folder/before" && write_sums "$folder" &&
        tar -C "$folder" -czf "$folder.tar.gz" . && unpacked_is_whole "$folder.tar.gz" "$folder" &&
        php "$ROOT/bin/lib/seal.php" seal "$(cat "$ENV_DIR/backup-key")" "$folder.tar.gz" "$file.part" &&
        sync "$file.part" && mv "$file.part" "$file" || { rm -rf "$folder" "$folder.tar.gz" "$file.part"; return 1; }
    rm -rf "$folder" "$folder.tar.gz"
}

# copy_pictures out|in FOLDER: all that there are, sealed as they are.
copy_pictures() {
    case ${PICTURES:-$ENV_DIR/pictures} in
        s3://*)
            [ "$(id -u)" -ne 0 ] || chown -R "$SERVICE_USER:" "$2" && chmod o+x "$(dirname "$2")" "$(dirname "$(dirname "$2")")" || return 1
            console_as_service ascent:pictures "$1" "$2" ;;
        *) case $1 in
            out) cp -a "${PICTURES:-$ENV_DIR/pictures}/." "$2/" ;;
            in) cp -a "$2/." "${PICTURES:-$ENV_DIR/pictures}/" && { [ "$(id -u)" -ne 0 ] || chown -R "$SERVICE_USER:" "${PICTURES:-$ENV_DIR/pictures}"; } ;;
        esac ;;
    esac
}

# note ACTION: that everything was copied, or put back, stands where everybody's doings stand. Tables of an older version have
# no such place yet.
note() {
    [ -z "$(db_admin -e "SHOW TABLES FROM lucid_ascent LIKE 'audit_entry'")" ] ||
        db_admin lucid_ascent -e "INSERT INTO audit_entry (seq, at, actor, action, what, previous, hash) VALUES (0, UTC_TIMESTAMP(6), 'console', '$1', 'backup', '', '')"
}

# audit_seal: what names all of it up to now. In a backup it is kept where nobody writes it anew.
audit_seal() {
    [ -z "$(db_admin -e "SHOW TABLES FROM lucid_ascent LIKE 'audit_head'")" ] ||
        db_admin -e "SELECT CONCAT(seq, ':', LOWER(HEX(hash))) FROM lucid_ascent.audit_head"
}

write_sums() { (cd "$1" && find . -type f ! -name SHA256SUMS -print0 | sort -z | xargs -0 sha256sum >SHA256SUMS); }

# unpacked_is_whole FILE FOLDER: whether the archive has what the folder has.
unpacked_is_whole() { tar -C "$2" -dzf "$1" >/dev/null; }

# A dump is worth what it gives back: it is read into a database of its own, and no table may have fewer rows than it
# had when the dump began.
prove_dump() {
    local folder=$1 missing
    db_admin "$SCRATCH" <"$folder/database.sql" || { say 'The dump cannot be read back.' >&2; return 1; }
    count_rows "$SCRATCH" >"$folder/rows" || return 1
    missing=$(fewer_rows "$folder/before" "$folder/rows")
    [ -z "$missing" ] || { say "The dump has fewer rows than the database: $missing" >&2; return 1; }
}

# backup_key NEW: the half of the key that seals stays here; the half that opens is shown once, and kept nowhere.
backup_key() {
    local pair
    [ -n "$1" ] || [ ! -s "$ENV_DIR/backup-key" ] || return 0
    pair=$(php "$ROOT/bin/lib/seal.php" keys)
    printf '%s\n' "${pair% *}" | (umask 077; keep "$ENV_DIR/backup-key") || fail 'there is no room to keep a key.'
    say "The key to the backups from now on, shown this once. Without it nobody can put one back. Keep it away from this machine:"
    printf '%s' "${pair#* }" | tr '[:lower:]' '[:upper:]' | sed 's/.\{4\}/& /g; s/ $//'
    printf '\n'
}

# unsealed FILE FOLDER: the archive in a backup. The key comes from BACKUP_KEY, or is asked for. One of before they were
# sealed is an archive itself.
unsealed() {
    php "$ROOT/bin/lib/seal.php" is "$1" || { cp "$1" "$2"; return; }
    local key=${BACKUP_KEY:-}
    [ -n "$key" ] || { printf 'The key to this backup: ' >&2; read -r key || return 1; }
    printf '%s' "$key" | php "$ROOT/bin/lib/seal.php" open "$1" "$2"
}

# read_backup FILE FOLDER: unpacked, and each file of it as it was when it was made.
read_backup() {
    unsealed "$1" "$2.tar.gz" || { rm -f "$2.tar.gz"; return 1; }
    tar -C "$2" -xzf "$2.tar.gz" --no-same-owner --no-same-permissions || return 1
    [ -s "$2/database.sql" ] && [ -s "$2/SHA256SUMS" ] || { say 'It has no database in it.' >&2; return 1; }
    (cd "$2" && sha256sum --quiet -c SHA256SUMS) || { say 'It is not as it was when it was made.' >&2; return 1; }
    [ "$(cd "$2" && find . -type f ! -name SHA256SUMS | wc -l)" -eq "$(wc -l <"$2/SHA256SUMS")" ] || { say 'It has files in it that it does not know.' >&2; return 1; }
}

# put_back FOLDER: the database and the pictures of a backup, into an installation that has nothing in it.
put_back() {
    restore_database lucid_ascent "$1/database.sql" && count_rows lucid_ascent >"$1/now" || return 1
    cmp -s "$1/rows" "$1/now" || { say 'The tables have other numbers of rows than the backup.' >&2; return 1; }
    copy_pictures in "$1/pictures" || return 1
    put_back_secret "$1/app-secret" && put_back_keys "$1/at-rest"
}

# put_back_keys FILE: with what the pictures of the backup are sealed. In one of before they were, they are not.
put_back_keys() {
    rm -f "$ENV_DIR/sealed"
    [ -e "$1" ] || return 0
    [ -z "$(grep -vxE '[0-9a-f]{64}' "$1")" ] || { say 'Its keys are none.' >&2; return 1; }
    (umask 077; keep "$ENV_DIR/at-rest") <"$1"
}

# put_back_secret FILE: logs that wait on a device, and forms on the way through a sign-in, are sealed with it. A backup of
# before it was kept has none.
put_back_secret() {
    local secret
    [ -e "$1" ] || return 0
    secret=$(cat "$1")
    case $secret in '' | *[!0-9A-Za-z]*) say 'Its secret is none.' >&2; return 1 ;; esac
    sed "s/^APP_SECRET=.*/APP_SECRET=$secret/" "$ENV_DIR/secrets" | (umask 077; keep "$ENV_DIR/secrets")
}
