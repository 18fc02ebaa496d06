#!/usr/bin/env bash
# What is shipped for machines of one's own says what those who read it understand: the balancer, the web server, systemd and the
# database each check their own.
set -euo pipefail
cd "$(dirname "$0")/../.."
OUT=$(mktemp -d)
trap 'rm -rf "$OUT"' EXIT
fault() { echo "FAULT: $*"; cat "$OUT/said" 2>/dev/null || true; exit 1; }

where=(FRONT=127.0.0.1:1 DATABASE=127.0.0.1:2 NODE_READY="$PWD/bin/node-ready" AWAY="$PWD/public/away.http" ADMIN="$OUT/admin")
for node in APP1 APP2 DB1 DB2 DB3; do where+=("$node=127.0.0.1:3"); done
env "${where[@]}" haproxy -c -f deploy/haproxy.cfg >"$OUT/said" 2>&1 || fault 'the balancer does not understand deploy/haproxy.cfg'
for name in "${where[@]}"; do grep -q "\${${name%%=*}}" deploy/haproxy.cfg || fault "deploy/haproxy.cfg does not ask for ${name%%=*}"; done

php -r '$k = openssl_pkey_new(["private_key_bits" => 2048]); $c = openssl_csr_sign(openssl_csr_new(["commonName" => "studio.example"], $k), null, $k, 2);
    openssl_x509_export_to_file($c, "$argv[1]/fullchain.pem"); openssl_pkey_export_to_file($k, "$argv[1]/key.pem");' "$OUT"
{
    echo "pid $OUT/pid; error_log $OUT/nginx.log; events {} http {"
    for kept in client_body proxy fastcgi uwsgi scgi; do echo "${kept}_temp_path $OUT/$kept;"; done
    # Ports that anybody may listen at.
    sed -e "s#/etc/ssl/lucid-ascent#$OUT#" -e 's/listen 80/listen 18080/; s/listen \[::\]:80/listen [::]:18080/; s/listen 443/listen 18443/; s/listen \[::\]:443/listen [::]:18443/' deploy/nginx.conf
    echo '}'
} >"$OUT/nginx.conf"
nginx -t -c "$OUT/nginx.conf" -p "$OUT" -e "$OUT/nginx.log" >"$OUT/said" 2>&1 || fault 'nginx does not understand deploy/nginx.conf'

# Of names and paths alone; it starts nothing.
sed "s#/var/lib/mysql#$OUT#" deploy/node.cnf >"$OUT/node.cnf"
mkdir "$OUT/data"
mariadbd --defaults-file="$OUT/node.cnf" --datadir="$OUT/data" --user="$(id -un)" --verbose --help >"$OUT/said" 2>&1 || fault 'the database does not understand deploy/node.cnf'
! grep -E 'unknown (variable|option)' "$OUT/said" || fault 'the database does not know a word in deploy/node.cnf'

if command -v systemd-analyze >/dev/null; then
    mkdir "$OUT/units"
    for unit in deploy/*.service deploy/*.timer; do sed "s#/srv/lucid-ascent#$PWD#g" "$unit" >"$OUT/units/$(basename "$unit")"; done
    systemd-analyze verify "$OUT"/units/* >"$OUT/said" 2>&1 || fault 'systemd does not understand a unit'
    [ ! -s "$OUT/said" ] || fault 'systemd wonders at a unit'
else
    echo 'No systemd-analyze can be had here: the units were not checked.'
fi
# What is said when nobody answers is the same, whoever says it.
[ "$(sed '1,/^\r*$/d' public/away.http)" = "$(cat public/away.html)" ] || fault 'public/away.http is not public/away.html'
echo ok
