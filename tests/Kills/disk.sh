#!/usr/bin/env bash
# In a folder with blanks in its name, on a disk that is full: a start, a stop, a backup say so in a line and leave nothing
# that they cannot undo; once there is room everything goes on, with all that was there.
. "$(dirname "$0")/environment.sh"
export ASCENT_ENV=disk
FROM=$PWD
PLACE="$FROM/var/test/a place with blanks"
DISK="$PLACE/var/env"
OUT=$(mktemp -d)
clean_up() {
    "$PLACE/bin/stop" >/dev/null 2>&1 || true
    ! mountpoint -q "$DISK" || umount "$DISK"
    rm -rf "$PLACE" "$OUT"
}
trap clean_up EXIT
if [ -d "$PLACE" ]; then clean_up; mkdir -p "$OUT"; fi
mkdir -p "$PLACE/var/install" "$DISK"
# The same files under another name: no room is taken, and whatever is written is written anew.
cp -al "${INSTALLATION[@]}" "$PLACE/"
cp var/install/composer*.sum "$PLACE/var/install/"

if ! mount -t tmpfs -o size=1m,mode=0755 tmpfs "$DISK" 2>/dev/null; then
    echo 'No disk of its own can be mounted here: what a full one does is not tried.'
    MOUNTED=''
else
    MOUNTED=1
fi
# resize MB: the disk has this much room from now on.
resize() { [ -z "$MOUNTED" ] || mount -o "remount,size=$1m" "$DISK"; }
fill() { dd if=/dev/zero of="$DISK/full" bs=64k >/dev/null 2>&1 || true; }
# refused COMMAND…: it may end badly, but says in its last line why, and a stop undoes all that it did.
refused() {
    if "$@" >"$OUT/said" 2>&1 </dev/null; then return; fi
    tail -1 "$OUT/said" | grep -qE '^(start|stop|backup|restore): .{10,}' || fault "$* ends without a word of why"
    "$PLACE/bin/stop" >"$OUT/said" 2>&1 || fault "after $* nothing can be stopped"
    nothing_left "$DISK" || fault "after $* and a stop something runs on"
}
port() { cat "$DISK/disk/web.port"; }
people() {
    (cd "$PLACE" && . bin/lib/common.sh && . bin/lib/services.sh && as_whom_it_was_started && use_env disk && db_admin -e 'SELECT COUNT(*) FROM lucid_ascent.practitioner')
}

if [ -n "$MOUNTED" ]; then
    for room in 1 6 30 120 150 190; do
        resize "$room"
        refused "$PLACE/bin/start"
    done
fi
resize 900
"$PLACE/bin/start" >"$OUT/said" 2>&1 </dev/null || fault 'with room again it does not start'
answers "$(port)" || fault 'it does not answer'
[ "$(people)" -eq 8 ] || fault 'the demo people are not there, or more than once'

mkdir "$OUT/copies of mine"
if [ -n "$MOUNTED" ]; then
    fill
    if (cd "$OUT" && "$PLACE/bin/backup" 'copies of mine') >"$OUT/said" 2>&1; then fault 'a backup was made of what there was no room to prove'; fi
    grep -q '^backup: ' "$OUT/said" || fault 'a backup that cannot be made does not say so'
    [ -z "$(ls -A "$OUT/copies of mine")" ] || fault 'half a backup is left'
    answers "$(port)" || fault 'the disk is full, and pages that only read do not answer'
    "$PLACE/bin/stop" >"$OUT/said" 2>&1 || fault 'nothing can be stopped'
    nothing_left "$DISK" || fault 'stopped, something runs on'
    rm "$DISK/full"
    fill
    refused "$PLACE/bin/start"
    rm "$DISK/full"
    "$PLACE/bin/start" >"$OUT/said" 2>&1 </dev/null || fault 'it does not start after the disk was full'
    [ "$(people)" -eq 8 ] || fault 'somebody is gone'
fi
(cd "$OUT" && "$PLACE/bin/backup" --new-key 'copies of mine' >"$OUT/said") || fault 'no backup is made'
BACKUP_KEY=$(key_in "$OUT/said")
export BACKUP_KEY
"$PLACE/bin/stop" >/dev/null
rm -rf "$DISK/disk/mysql" "$DISK/disk/demo.loaded" "$DISK/disk/migrated"
if [ -n "$MOUNTED" ]; then
    fill
    if (cd "$OUT" && "$PLACE/bin/restore" copies\ of\ mine/*.backup) >"$OUT/said" 2>&1 </dev/null; then fault 'a backup was put back where there was no room'; fi
    "$PLACE/bin/stop" >/dev/null
    rm "$DISK/full"
fi
(cd "$OUT" && "$PLACE/bin/restore" copies\ of\ mine/*.backup) >"$OUT/said" 2>&1 </dev/null || fault 'a backup is not put back'
"$PLACE/bin/start" >"$OUT/said" 2>&1 </dev/null || fault 'what was put back does not start'
[ "$(people)" -eq 8 ] || fault 'not everybody was put back'
echo 'ok'
