#!/usr/bin/env bash
# The way to a database elsewhere is sealed where the settings name an authority: who has not its certificate is not asked anything.
set -euo pipefail
cd "$(dirname "$0")/../.."
. bin/lib/common.sh
ensure_service_user private >/dev/null
OUT=$(mktemp -d)
chmod 0755 "$OUT"
trap 'pkill -f -- "--datadir=$OUT/data" || true; sleep 1; rm -rf "$OUT"' EXIT
fault() { echo "FAULT: $*"; cat "$OUT/said" 2>/dev/null || true; exit 1; }

# authority NAME: one that vouches for others.
authority() { openssl req -x509 -newkey rsa:2048 -nodes -keyout "$OUT/$1.key" -out "$OUT/$1.pem" -subj "/CN=$1" -days 2 2>/dev/null; }
authority ours
authority other
openssl req -newkey rsa:2048 -nodes -keyout "$OUT/node.key" -out "$OUT/node.csr" -subj /CN=node 2>/dev/null
openssl x509 -req -in "$OUT/node.csr" -CA "$OUT/ours.pem" -CAkey "$OUT/ours.key" -CAcreateserial -out "$OUT/node.pem" -days 2 -extfile <(printf 'subjectAltName=IP:127.0.0.1') 2>/dev/null
mkdir "$OUT/data"
chmod 0644 "$OUT"/*.pem
chown "$DATABASE_USER:" "$OUT/data" "$OUT/node.key"
(cd "$OUT" && as_user "$DATABASE_USER" mariadb-install-db --no-defaults --datadir=./data --user="$DATABASE_USER" --auth-root-authentication-method=normal) >"$OUT/said" 2>&1 || fault 'no database'
PORT=$(php -r 'echo parse_url("tcp://".stream_socket_get_name(stream_socket_server("tcp://127.0.0.1:0"), false), PHP_URL_PORT);')
as_user "$DATABASE_USER" mariadbd --no-defaults --user="$DATABASE_USER" --datadir="$OUT/data" --socket="$OUT/data/socket" --port="$PORT" --bind-address=127.0.0.1 --skip-name-resolve \
    --ssl-ca="$OUT/ours.pem" --ssl-cert="$OUT/node.pem" --ssl-key="$OUT/node.key" >"$OUT/data/log" 2>&1 &
for _ in $(seq 100); do [ ! -S "$OUT/data/socket" ] || break; sleep 0.1; done
as_user "$DATABASE_USER" mariadb --no-defaults --socket="$OUT/data/socket" --user=root -e "CREATE USER somebody@127.0.0.1 IDENTIFIED BY 'a word' REQUIRE SSL"

# asked AUTHORITY: how the way there is sealed; nothing where it is not gone.
asked() {
    php -r 'require "vendor/autoload.php";
        $way = new LucidAscent\App\Database\Connecting(false, $argv[2]);
        $database = Doctrine\DBAL\DriverManager::getConnection(["driver" => "pdo_mysql", "host" => "127.0.0.1", "port" => (int) $argv[1],
            "user" => "somebody", "password" => "a word"], (new Doctrine\DBAL\Configuration())->setMiddlewares([$way]));
        echo $database->fetchAllKeyValue("SHOW STATUS LIKE \"Ssl_version\"")["Ssl_version"];' "$PORT" "$1" 2>/dev/null || true
}
case $(asked "$OUT/ours.pem") in TLS*) ;; *) fault 'nothing passes with the right authority' ;; esac
case $(asked "$OUT/other.pem") in *TLS*) fault 'a node that another vouches for is believed' ;; esac
case $(asked '') in *TLS*) fault 'it is sealed without being asked to: then this shows nothing' ;; esac
echo ok
