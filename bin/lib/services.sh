# Starts and stops one environment: a MariaDB of its own, PHP-FPM and nginx, all on loopback.
# An environment has a name and a folder under var/env/ that holds everything it makes.
# shellcheck shell=bash

# The files that are served: those of this folder, or of another version of it.
CODE=$ROOT

use_env() {
    ENV_NAME=$1
    ENV_DIR="$ROOT/var/env/$ENV_NAME"
    RUN_DIR="$ENV_DIR/run"
    DB_DIR="$ENV_DIR/db"
    mkdir -p "$RUN_DIR" "$DB_DIR/tmp" "$ENV_DIR"/{log,tmp,cache,pictures,dumps}
    # A socket's path has room for about a hundred characters, and no blank.
    SOCKET_DIR=$RUN_DIR DB_SOCKET_DIR=$DB_DIR
    if [ ${#RUN_DIR} -gt 80 ] || [ "${RUN_DIR#* }" != "$RUN_DIR" ]; then
        SOCKET_DIR=/tmp/lucid-ascent-$(printf '%s' "$ENV_DIR" | sha256sum | cut -c1-12)
        DB_SOCKET_DIR=$SOCKET_DIR-db
        own_under_tmp "$SOCKET_DIR"
        own_under_tmp "$DB_SOCKET_DIR"
    fi
    if [ "$(id -u)" -eq 0 ]; then
        # What root reads lies where the servers cannot write: theirs are the folders named here, and no more.
        chown "root:$(id -gn "$SERVICE_USER")" "$ENV_DIR"
        chown "$SERVICE_USER:" "$SOCKET_DIR" "$RUN_DIR" "$ENV_DIR"/{log,tmp,cache,pictures}
        # Whoever asks nginx as root whether its configuration is right makes the folders of what is sent somebody else's.
        find "$ENV_DIR/tmp" -mindepth 1 -maxdepth 1 -type d ! -user "$SERVICE_USER" -exec chown "$SERVICE_USER:" {} +
        chown -h "$DATABASE_USER:$(id -gn "$SERVICE_USER")" "$DB_DIR" "$DB_DIR/tmp" "$DB_SOCKET_DIR"
    fi
    chmod 0750 "$ENV_DIR" "$SOCKET_DIR" "$DB_DIR" "$DB_SOCKET_DIR"
    chmod 0700 "$ENV_DIR/dumps" "$DB_DIR/tmp"
    DB_SOCKET=$DB_SOCKET_DIR/mariadb.sock
    FPM_SOCKET=$SOCKET_DIR/fpm.sock
}

# A name under /tmp may be anybody's.
own_under_tmp() {
    mkdir -p -m 0750 "$1"
    case $(stat -c '%F %U' "$1") in "directory $SERVICE_USER" | "directory $DATABASE_USER" | 'directory root') ;; *) fail "$1 is there and is somebody else's." ;; esac
}

port_is_free() {
    php -r 'exit(@stream_socket_server("tcp://127.0.0.1:".$argv[1]) ? 0 : 1);' "$1"
}

kept_port() { grep -xE '[0-9]+' "$ENV_DIR/$1.port" 2>/dev/null; }

# choose_port NAME FIRST: the port this environment had before, or the first free one from FIRST on.
choose_port() {
    local kept="$ENV_DIR/$1.port" port
    port=$(kept_port "$1") || port=$2
    if ! port_is_free "$port"; then
        port=$2
        while ! port_is_free "$port"; do port=$((port + 1)); done
        say "Port $2 for $1 is taken: using $port." >&2
    fi
    printf '%s\n' "$port" | keep "$kept"
    printf '%s' "$port"
}

# A server is known by what it calls itself and as whom it runs: nothing is written down that a full disk could lose, that
# a start which was killed would not have come to, or that names a number given to another process since. A process that
# has ended and waits to be taken note of calls itself nothing.
server() {
    local file
    for file in $(grep -alF -- "$ENV_DIR" /proc/[0-9]*/cmdline 2>/dev/null || true); do
        case "$1:$(tr '\0' ' ' 2>/dev/null <"$file")" in
            mariadb:"mariadbd "*" --datadir=$ENV_DIR/mysql "* | \
            fpm:"php-fpm: master process ($ENV_DIR/fpm.conf)"* | \
            nginx:"nginx: master process nginx -c $ENV_DIR/nginx.conf "* | \
            haproxy:"haproxy "*" -L $ENV_DIR "* | \
            inclinometer:"php "*" --pid-file=$RUN_DIR/inclinometer.pid "*) ;;
            *) continue ;;
        esac
        file=${file%/cmdline}
        case $(stat -c %U "$file" 2>/dev/null) in "$SERVICE_USER" | "$DATABASE_USER") printf '%s' "${file#/proc/}"; return 0 ;; esac
    done
    return 1
}

running() { server "$1" >/dev/null; }

# started NAME: waits until a server that was started calls itself so.
started() {
    local left=100
    until running "$1"; do
        [ "$left" -gt 0 ] || return 1
        sleep 0.1
        left=$((left - 1))
    done
}

# processes_of NAME: a server and its workers, also those whose first process is gone: each runs the server's program and
# has a file or a socket of this environment open.
processes_of() {
    local program pid opened=$ENV_DIR/
    case $1 in mariadb) program=mariadbd ;; haproxy) program=haproxy ;; fpm) program=php-fpm ;; nginx) program=nginx ;; inclinometer) program=php8 opened=$ENV_DIR/log/inclinometer.log ;; esac
    for pid in $(find /proc/[0-9]*/fd -printf '%p %l\n' 2>/dev/null | awk -v opened="$opened" -v sockets="$SOCKET_DIR/" '
        BEGIN { while ((getline line < "/proc/net/unix") > 0) { split(line, part, " "); at = index(line, sockets); if (at) { ours["socket:[" part[7] "]"] = 1 } } }
        { split($1, path, "/"); link = substr($0, length($1) + 2) }
        index(link, opened) == 1 || (link in ours) { pids[path[3]] = 1 }
        END { for (pid in pids) print pid }'); do
        case $(readlink "/proc/$pid/exe" 2>/dev/null) in */"$program"*) ;; *) continue ;; esac
        case $(stat -c %U "/proc/$pid" 2>/dev/null) in "$SERVICE_USER" | "$DATABASE_USER") printf '%s\n' "$pid" ;; esac
    done
}

# A process that has ended stays in the list until its parent has asked after it, which may be never.
ended() { case $(sed 's/.*) \(.\).*/\1/' "/proc/$1/stat" 2>/dev/null) in '' | Z | X) return 0 ;; *) return 1 ;; esac; }

gone() { local waited=0; until ended "$1"; do [ $waited -lt "$2" ] || return 1; sleep 0.1; waited=$((waited + 1)); done; }

stop_one() {
    local name=$1 signal=$2 pid
    if pid=$(server "$name"); then
        kill "-$signal" "$pid" 2>/dev/null || true
        gone "$pid" 300 || kill -KILL "$pid" 2>/dev/null || true
        gone "$pid" 50 || true
    fi
    for pid in $(processes_of "$name"); do
        kill -TERM "$pid" 2>/dev/null || true
        gone "$pid" 50 || kill -KILL "$pid" 2>/dev/null || true
    done
    rm -f "$RUN_DIR/$name.pid"
}

stop_env() {
    stop_one inclinometer TERM
    stop_one nginx QUIT
    stop_one fpm QUIT
    stop_one mariadb TERM
}

secret() { head -c 32 /dev/urandom | sha256sum | cut -c1-40; }

# Secrets are read, never run: each is a name and a word of letters and digits.
load_secrets() {
    load_settings
    local file=$ENV_DIR/secrets name value
    if [ ! -s "$file" ]; then
        printf 'APP_SECRET=%s\nDB_OWNER_PASSWORD=%s\nDB_APP_PASSWORD=%s\nDEMO_PASSWORD=%s\n' \
            "$(secret)" "$(secret)" "$(secret)" "$(secret | cut -c1-12)" | (umask 077; keep "$file")
    fi
    while IFS='=' read -r name value; do
        case $value in ''|*[!0-9A-Za-z]*) fail "$file has something other than a secret in it." ;; esac
        case $name in
            APP_SECRET) APP_SECRET=$value ;;
            DB_OWNER_PASSWORD) DB_OWNER_PASSWORD=$value ;;
            DB_APP_PASSWORD) DB_APP_PASSWORD=$value ;;
            DEMO_PASSWORD) DEMO_PASSWORD=$value ;;
            *) fail "$file has something other than a secret in it." ;;
        esac
    done <"$file"
    load_at_rest
}

at_rest_key() { head -c 32 /dev/urandom | sha256sum | cut -c1-64; }

# keep_at_rest KEY BEFORE: with what things are sealed on the disk from now on, and with what they were until now. A file of
# its own: an older version that is put back reads its secrets as it left them.
keep_at_rest() {
    AT_REST_KEY=$1 AT_REST_BEFORE=$2
    printf '%s\n' "$1" ${2:+"$2"} | (umask 077; keep "$ENV_DIR/at-rest")
}

load_at_rest() {
    AT_REST_KEY='' AT_REST_BEFORE=''
    [ -s "$ENV_DIR/at-rest" ] || keep_at_rest "$(at_rest_key)" ''
    [ -z "$(grep -vxE '[0-9a-f]{64}' "$ENV_DIR/at-rest")" ] || fail "$ENV_DIR/at-rest has something other than a key in it."
    { read -r AT_REST_KEY; read -r AT_REST_BEFORE || AT_REST_BEFORE=''; } <"$ENV_DIR/at-rest"
}

# The database's own account is its own user's alone, who runs nothing else: whoever gets hold of the application has the
# application's rights on tables, and no file of the database.
# Where it is elsewhere its owner's is what this machine has: the tables, and no accounts.
db_admin() {
    if [ -z "${DATABASE_AT:-}" ]; then as_user "$DATABASE_USER" mariadb --no-defaults --socket="$DB_SOCKET" --user="$DATABASE_USER" --batch --skip-column-names "$@"; return; fi
    from_elsewhere mariadb --batch --skip-column-names "$@"
}
# The password is in no command line, which every user of the machine can read.
from_elsewhere() {
    local client=$1
    shift
    MYSQL_PWD=$DB_OWNER_PASSWORD "$client" --no-defaults --protocol=tcp --host="${DATABASE_AT%:*}" --port="${DATABASE_AT##*:}" --user=ascent_owner ${DATABASE_CA:+--ssl-ca="$DATABASE_CA"} "$@"
}

database_answers() { db_admin -e 'SELECT 1' >/dev/null 2>&1; }

# The folder has its name only when it is whole: one that is there is never removed.
create_data_directory() {
    rm -rf "$ENV_DIR/mysql.new" && mkdir -m 0700 "$ENV_DIR/mysql.new" || return 1
    [ "$(id -u)" -ne 0 ] || chown "$DATABASE_USER:" "$ENV_DIR/mysql.new"
    # From within its folder: it takes no path with a blank.
    (cd "$ENV_DIR" && as_user "$DATABASE_USER" mariadb-install-db --no-defaults --datadir=./mysql.new --skip-test-db --user="$DATABASE_USER" \
        --auth-root-authentication-method=socket --auth-root-socket-user="$DATABASE_USER") &&
        sync -f "$ENV_DIR/mysql.new" && mv "$ENV_DIR/mysql.new" "$ENV_DIR/mysql"
}

# adopt_database: a folder of when the database ran as another user is the database's user's; at its next start that
# user's account is there, and the other one is not.
adopt_database() {
    [ "$(id -u)" -ne 0 ] || [ "$(stat -c %U "$ENV_DIR/mysql")" = "$DATABASE_USER" ] || chown -R "$DATABASE_USER:" "$ENV_DIR/mysql"
    chmod 0700 "$ENV_DIR/mysql"
    {
        printf 'CREATE USER IF NOT EXISTS `%s`@localhost IDENTIFIED VIA unix_socket;\n' "$DATABASE_USER"
        printf 'GRANT ALL PRIVILEGES ON *.* TO `%s`@localhost WITH GRANT OPTION;\n' "$DATABASE_USER"
        [ "$SERVICE_USER" = "$DATABASE_USER" ] || printf 'DROP USER IF EXISTS `%s`@localhost;\n' "$SERVICE_USER"
    } | keep_for_servers "$ENV_DIR/accounts.sql"
}

# AS_NODE: what a database that is one of several is started with beside.
AS_NODE=()
start_mariadb() {
    local waited=0
    if running mariadb && DB_PORT=$(kept_port mariadb) && database_answers; then return; fi
    stop_one mariadb TERM
    if [ ! -e "$ENV_DIR/mysql" ]; then
        step "Creating the database's folder" create_data_directory
    elif [ ! -d "$ENV_DIR/mysql/mysql" ]; then
        fail "$ENV_DIR/mysql is there and is no whole database. It is left as it is: put it right, or move it away, and start again."
    fi
    adopt_database
    DB_PORT=$(choose_port mariadb "$1")
    local -a more=("${AS_NODE[@]}")
    if [ ${#more[@]} -eq 0 ]; then
        more=(--skip-log-bin --init-file="$ENV_DIR/accounts.sql")
        # All that is written, for so many days: to go back to a minute, from a backup on.
        [ -z "${BINARY_LOG:-}" ] || more=(--log-bin="$ENV_DIR/mysql/binlog" --binlog-format=ROW --sync-binlog=1 --log-bin-trust-function-creators --expire-logs-days="$BINARY_LOG" --init-file="$ENV_DIR/accounts.sql")
    fi
    as_user_to "$DATABASE_USER" "$DB_DIR/mariadb.log" setsid mariadbd --no-defaults --user="$DATABASE_USER" --datadir="$ENV_DIR/mysql" --socket="$DB_SOCKET" --port="$DB_PORT" \
        --bind-address=127.0.0.1 --pid-file="$DB_DIR/mariadb.pid" --skip-name-resolve --default-time-zone=+00:00 "${more[@]}" \
        --innodb-buffer-pool-size="${DATABASE_MEMORY:-64}M" --innodb-lock-wait-timeout=15 --performance-schema=off --tmpdir="$DB_DIR/tmp" >/dev/null 2>&1 </dev/null 9>&- &
    started mariadb || fail "MariaDB did not start; $DB_DIR/mariadb.log says why."
    until database_answers; do
        sleep 0.1
        waited=$((waited + 1))
        [ $waited -lt 600 ] && running mariadb || fail "MariaDB did not start; $DB_DIR/mariadb.log says why."
    done
}

# ensure_database NAME: the schema, an owner that may change its tables, and an application user that may not.
ensure_database() {
    db_admin <<SQL
CREATE DATABASE IF NOT EXISTS $1 CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER IF NOT EXISTS ascent_owner@127.0.0.1;
CREATE USER IF NOT EXISTS ascent_app@127.0.0.1;
ALTER USER ascent_owner@127.0.0.1 IDENTIFIED BY '$DB_OWNER_PASSWORD';
ALTER USER ascent_app@127.0.0.1 IDENTIFIED BY '$DB_APP_PASSWORD';
GRANT SELECT, INSERT, UPDATE, DELETE, CREATE, ALTER, DROP, INDEX, REFERENCES, TRIGGER ON $1.* TO ascent_owner@127.0.0.1;
SQL
}

# The application reads and adds. Records are never changed or removed, so it has no right to: only a password and a language are, what a studio is called and what its clock is,
# what was typed and not recorded yet, how a class is planned, who is signed in, and in which order people are shown; how a form was filled in, and who tried to sign in from where, is forgotten after a while.
grant_application() {
    local table from="'${DATABASE_FROM:-127.0.0.1}'"
    {
        for table in $(db_admin -e "SHOW TABLES FROM $1"); do
            # What is counted is counted by triggers, and by nobody else.
            # So is the chain of who did what: nobody may say what an entry follows.
            if [ "$table" = audit_head ]; then printf 'GRANT SELECT ON %s.`%s` TO ascent_app@%s;\n' "$1" "$table" "$from"; continue; fi
            if [ "$table" = change_count ]; then printf 'GRANT SELECT ON %s.`%s` TO ascent_app@%s;\n' "$1" "$table" "$from"; continue; fi
            printf 'GRANT SELECT, INSERT ON %s.`%s` TO ascent_app@%s;\n' "$1" "$table" "$from"
        done
        printf 'GRANT UPDATE (password, locale) ON %s.teacher TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE (name, time_zone, owners_prove_twice) ON %s.studio TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE (locale) ON %s.practitioner TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE, DELETE ON %s.sessions TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE, DELETE ON %s.lock_keys TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE, DELETE ON %s.turn TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE, DELETE ON %s.draft TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE, DELETE ON %s.studio_class TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT DELETE ON %s.class_member TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT UPDATE ON %s.urgency TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT DELETE ON %s.sent_form TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT DELETE ON %s.sign_in_attempt TO ascent_app@%s;\n' "$1" "$from"
        printf 'GRANT DELETE ON %s.signed_in TO ascent_app@%s;\n' "$1" "$from"
    } | db_admin
}

db_url() { printf 'mysql://ascent_%s:%s@%s/%s?serverVersion=10.11.0-MariaDB&charset=utf8mb4' "$1" "$2" "${DATABASE_AT:-127.0.0.1:$DB_PORT}" "$3"; }

# Everything whose change asks for a fresh cache and a restart of PHP: the same on every machine that has the same files.
source_stamp() {
    (cd "$CODE" && find core src config templates translations catalogue migrations public composer.json .env vendor/composer/installed.php \
        -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-12)
}

app_env() {
    [ -z "$PUBLIC_URL" ] || printf 'PUBLIC_URL=%s\nTRUSTED_PROXIES=%s\n' "$PUBLIC_URL" "$TRUSTED_PROXIES"
    [ -z "$DATABASE_AT" ] || printf 'DATABASE_NODES=1\n'
    [ -z "$DATABASE_CA" ] || printf 'DATABASE_CA=%s\n' "$DATABASE_CA"
    printf 'APP_ENV=prod\nAPP_DEBUG=0\nAPP_SECRET=%s\nASSET_VERSION=%s\nDATABASE_URL=%s\nAPP_CACHE_DIR=%s\nAPP_LOG_DIR=%s\nPICTURES=%s\nAT_REST_KEYS=%s\nINCLINOMETER=%s\n' \
        "$APP_SECRET" "$STAMP" "$DATABASE_URL" "${CACHE_DIR:-$ENV_DIR/cache}" "$ENV_DIR/log" "${PICTURES:-$ENV_DIR/pictures}" \
        "$AT_REST_KEY${AT_REST_BEFORE:+ $AT_REST_BEFORE}" \
        "tcp://127.0.0.1:$(cat "$ENV_DIR/inclinometer.port" 2>/dev/null || printf 1)"
}

load_demo() {
    export DEMO_PASSWORD
    console_as_service ascent:demo
}

# running_installation: the one that runs here, with all that its console asks for.
running_installation() {
    as_whom_it_was_started
    use_env "${ASCENT_ENV:-live}"
    [ -s "$ENV_DIR/secrets" ] || fail 'nothing was started here yet.'
    ensure_service_user
    load_secrets
    [ -n "$DATABASE_AT" ] || running mariadb || fail 'the database does not run: bin/start first.'
    database_answers || fail 'the database does not answer: bin/start first.'
    DB_PORT=$(kept_port mariadb || printf 0)
    STAMP=$(cat "$ENV_DIR/stamp" 2>/dev/null || printf 0)
    DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" lucid_ascent)
}

console_as_service() {
    local -a vars
    mapfile -t vars < <(app_env)
    # In the environment and not on the command line, which every user of the machine can read.
    (export "${vars[@]}"; as_service php "$CODE/bin/console" --no-interaction "$@")
}

warm_cache() {
    rm -rf "${CACHE_DIR:-${ENV_DIR:?}/cache}/prod"
    console_as_service cache:warmup
}

# pool NAME SOCKET WORKERS [SECONDS]: one pool of PHP workers. Nothing that a page does takes two minutes: what does is
# ended, and keeps nobody waiting; 0 is for what stays open.
pool() {
    local entry
    cat <<INI
[$1]
$([ "$SERVICE_USER" != root ] || printf 'user = root\ngroup = root')
listen = $2
pm = static
pm.max_children = $3
pm.max_requests = 5000
request_terminate_timeout = ${4:-120}
clear_env = yes
catch_workers_output = yes
php_admin_value[error_log] = $ENV_DIR/log/php.log
php_admin_flag[log_errors] = on
php_admin_value[date.timezone] = UTC
php_admin_value[memory_limit] = 256M
php_admin_value[upload_max_filesize] = 8M
php_admin_value[post_max_size] = 9M
php_admin_value[upload_tmp_dir] = $ENV_DIR/tmp
php_admin_value[sys_temp_dir] = $ENV_DIR/tmp
; A database that has stopped half way is not waited for without end; a turn is, for half as long.
php_admin_value[mysqlnd.net_read_timeout] = 30
php_admin_value[realpath_cache_size] = 4M
php_admin_value[realpath_cache_ttl] = 600
INI
    while IFS= read -r entry; do printf 'env[%s] = "%s"\n' "${entry%%=*}" "${entry#*=}"; done < <(app_env)
}

write_fpm_config() {
    {
        cat <<INI
[global]
pid = $RUN_DIR/fpm.pid
error_log = $ENV_DIR/log/fpm.log
daemonize = yes
INI
        pool lucid-ascent "$FPM_SOCKET" 8
        # Whoever knocks at the practitioners' door waits for others there, and keeps no teacher waiting.
        pool lucid-ascent-own "$SOCKET_DIR/own.sock" 2
        # What an instrument says is a stream that stays open: it never holds a worker that a page waits for.
        pool lucid-ascent-live "$SOCKET_DIR/live.sock" "$LIVE_WORKERS" 0
        # Whoever asks whether this machine is well waits for nobody: one that is busy is not one that is gone.
        pool lucid-ascent-health "$SOCKET_DIR/health.sock" 1
    } | keep_for_servers "$ENV_DIR/fpm.conf"
}
LIVE_WORKERS=4

# php_behind SOCKET: how nginx hands a request on.
php_behind() {
    cat <<NGINX
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME "$CODE/public/index.php";
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param HTTP_HOST \$asked_host;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 32k;
            fastcgi_pass unix:$1;
NGINX
}

# door PATH SOCKET: where somebody may try passwords and words, a few at a time.
door() {
    cat <<NGINX
        location = $1 {
            limit_req zone=door burst=60 nodelay;
$(php_behind "$2")
        }
NGINX
}

write_nginx_config() {
    keep_for_servers "$ENV_DIR/nginx.conf" <<NGINX
$([ "$SERVICE_USER" != root ] || printf 'user root;')
worker_processes 1;
worker_rlimit_nofile 8192;
pid "$RUN_DIR/nginx.pid";
# An error says what was asked for, and what was searched may be about somebody: only what ends the server is written.
error_log "$ENV_DIR/log/nginx.log" crit;
events { worker_connections 2048; }
http {
    access_log off;
    server_tokens off;
    client_body_temp_path "$ENV_DIR/tmp/body";
    fastcgi_temp_path "$ENV_DIR/tmp/fastcgi";
    proxy_temp_path "$ENV_DIR/tmp/proxy";
    uwsgi_temp_path "$ENV_DIR/tmp/uwsgi";
    scgi_temp_path "$ENV_DIR/tmp/scgi";
    client_max_body_size 9m;
    client_header_timeout 15s;
    client_body_timeout 30s;
    limit_conn_zone \$server_name zone=all:1m;
    limit_conn_zone \$server_name zone=live:1m;
    limit_conn_log_level info;
    # At the doors more than a few tries a second are no person's; who asks, a server in front says last.
    map \$http_x_forwarded_for \$who { default \$remote_addr; $([ -z "$PUBLIC_URL" ] || printf '"~([^, ]+)\\s*$" $1;') }
    limit_req_zone \$who zone=door:1m rate=5r/s;
    limit_req_status 429;
    limit_req_log_level info;
    gzip on;
    gzip_types text/css text/javascript application/json image/svg+xml;
    types { application/manifest+json webmanifest; text/html html; text/css css; text/javascript js; image/svg+xml svg; font/woff2 woff2; image/png png; text/plain txt; }
    # Behind a server in front the port is that server's.
    map \$host \$asked_host {
        default \$host:\$server_port;
$([ -z "$PUBLIC_URL" ] || printf '        "%s" "%s";' "$(public_name)" "${PUBLIC_URL#*://}")
    }
    # A name that is not this machine's, nor in the settings, is no way in, and in no address that is given out.
    server {
        listen $LISTEN:$WEB_PORT default_server;
        return 421;
    }
    server {
        listen $LISTEN:$WEB_PORT;
        server_name 127.0.0.1 localhost $([ -z "$PUBLIC_URL" ] || [ "$(public_name)" = 127.0.0.1 ] || public_name);
        root "$CODE/public";
        # PHP that is gone, or starts, is no fault of what was asked.
        error_page 502 504 =503 /away.html;
        location = /away.html {
            internal;
            add_header Retry-After 3 always;
            add_header Cache-Control no-store always;
            add_header Content-Security-Policy "default-src 'none'; style-src 'unsafe-inline'" always;
        }
        # Fewer than there are connections for, so that nobody fills the log with those that find none.
        limit_conn all 1500;
        location ~ ^/a/[0-9a-f]+/(.+)\$ {
            alias "$CODE/public/assets/\$1";
            add_header Cache-Control "public, max-age=31536000, immutable";
            add_header X-Content-Type-Options nosniff;
        }
        # What this machine says of itself is for whoever asks it alone, and not by way of a server in front.
        location ~ ^/(health/(live|ready)|metrics)\$ {
            if (\$http_x_forwarded_for != "") { return 404; }
$(php_behind "$SOCKET_DIR/health.sock")
        }
        location = /instruments/inclinometer {
            limit_conn live $LIVE_WORKERS;
$(php_behind "$SOCKET_DIR/live.sock")
        }
        # Whoever has the address of a calendar can read it: it is in no log.
        location ^~ /feed/ {
            error_log /dev/null crit;
$(php_behind "$FPM_SOCKET")
        }
$(door /sign-in "$FPM_SOCKET"; door /own/open "$SOCKET_DIR/own.sock"; door /own/pin "$SOCKET_DIR/own.sock")
        location ^~ /own {
$(php_behind "$SOCKET_DIR/own.sock")
        }
        location / {
$(php_behind "$FPM_SOCKET")
        }
    }
}
NGINX
}

# A log that has grown past ten megabytes begins anew at the next start; the one before it is kept.
rotate_logs() {
    local log user
    for log in "$ENV_DIR"/log/*.log "$DB_DIR"/*.log; do
        case $log in "$DB_DIR"/*) user=$DATABASE_USER ;; *) user=$SERVICE_USER ;; esac
        [ ! -f "$log" ] || [ "$(stat -c %s "$log")" -lt 10485760 ] || as_user "$user" mv "$log" "$log.1"
    done
}

# prepare_code: a fresh cache when the code has changed since the last time.
prepare_code() {
    STAMP=$(source_stamp)
    # What commands have kept is of the code as it was; other environments of the same code leave it alone.
    if [ "$(cat "$ROOT/var/cache.stamp" 2>/dev/null)" != "$STAMP" ]; then
        rm -rf "$ROOT/var/cache"
        printf '%s\n' "$STAMP" | keep "$ROOT/var/cache.stamp"
    fi
    [ "$(cat "$ENV_DIR/stamp" 2>/dev/null)" != "$STAMP" ] || [ ! -d "$ENV_DIR/cache/prod" ] || return 0
    rm -f "$ENV_DIR/stamp"
    stop_one fpm QUIT
    DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" none)
    step 'Preparing the application' warm_cache
    printf '%s\n' "$STAMP" | keep "$ENV_DIR/stamp"
}

# dump_database NAME [OPTION…]
dump_database() {
    if [ -n "${DATABASE_AT:-}" ]; then from_elsewhere mariadb-dump --single-transaction --routines --triggers --hex-blob "${@:2}" "$1"; return; fi
    as_user "$DATABASE_USER" mariadb-dump --no-defaults --socket="$DB_SOCKET" --user="$DATABASE_USER" --single-transaction --routines --triggers --hex-blob "${@:2}" "$1"
}

# restore_database NAME FILE: the database as a dump has it, and nothing else in it.
restore_database() {
    db_admin -e "DROP DATABASE IF EXISTS $1" && ensure_database "$1" && db_admin "$1" <"$2"
}

# migrate DATABASE: the tables as the code wants them, then the application's rights on them. A migration runs
# after a dump: where it fails, or was ended half way, the database goes back whole before it is tried again.
migrate() {
    local dump="$ENV_DIR/dumps/$1.sql"
    DATABASE_URL=$(db_url owner "$DB_OWNER_PASSWORD" "$1")
    if [ -e "$dump.open" ]; then
        step 'Putting the tables back as they were before a migration that was not finished' restore_database "$1" "$dump"
        rm "$dump.open"
    fi
    # Nobody writes meanwhile: what is written after the dump would be lost with it.
    stop_one fpm QUIT
    (umask 077; dump_database "$1" >"$dump.new") || { rm -f "$dump.new"; fail "the database could not be dumped, so its tables were left as they are."; }
    mv "$dump.new" "$dump"
    touch "$dump.open"
    sync "$dump" "$ENV_DIR/dumps"
    if ! (step 'Bringing the tables up to date' console_as_service doctrine:migrations:migrate --allow-no-migration); then
        restore_database "$1" "$dump" || fail "the tables could not be brought up to date, nor put back yet: make room, and start again. They are in $dump."
        rm "$dump.open"
        fail 'the tables could not be brought up to date; they are as they were before.'
    fi
    # Until then words about health lay in it as they were typed.
    console_as_service ascent:seal-again --unsealed >/dev/null || fail 'not all words about health could be sealed; start again.'
    rm "$dump.open"
    # It has them as well.
    rm -f "$dump"
    grant_application "$1"
}

# migrate_while_serving DATABASE: where several nodes share a database, once, while they serve: those of the version before
# go on with the new tables, and what is added may be added again. Of two that come to it at once one waits for the other.
migrate_while_serving() {
    DATABASE_URL=$(db_url owner "$DB_OWNER_PASSWORD" "$1")
    (step 'Bringing the tables up to date' console_as_service ascent:once migrate doctrine:migrations:migrate) || fail 'the tables could not be brought up to date; start again.'
    console_as_service ascent:seal-again --unsealed >/dev/null || fail 'not all words about health could be sealed; start again.'
    grant_application "$1"
}

# start_inclinometer FIRST_PORT SCENARIO: what stands in for an instrument, on a port of its own.
start_inclinometer() {
    local port
    if running inclinometer; then return; fi
    stop_one inclinometer TERM
    port=$(choose_port inclinometer "$1")
    as_user_to "$SERVICE_USER" "$ENV_DIR/log/inclinometer.log" env APP_ENV=prod APP_CACHE_DIR="$ENV_DIR/cache" APP_LOG_DIR="$ENV_DIR/log" \
        setsid php bin/console ascent:inclinometer --port="$port" --scenario="$2" --pid-file="$RUN_DIR/inclinometer.pid" >/dev/null 2>&1 </dev/null 9>&- &
    started inclinometer || say "The inclinometer's stand-in did not start; $ENV_DIR/log/inclinometer.log says why." >&2
}

# load_settings: where the application is reached, where a server in front has its name and certificate; and where the
# database and the pictures are, where several machines share them.
load_settings() {
    local name value
    PUBLIC_URL='' TRUSTED_PROXIES='' DATABASE_AT='' DATABASE_FROM=127.0.0.1 DATABASE_CA='' DATABASE_MEMORY=64 BINARY_LOG='' PICTURES='' LISTEN=127.0.0.1
    while IFS='=' read -r name value; do
        case $name in
            PUBLIC_URL) PUBLIC_URL=$value ;;
            TRUSTED_PROXIES) TRUSTED_PROXIES=$value ;;
            DATABASE_AT) DATABASE_AT=$value ;;
            DATABASE_CA) DATABASE_CA=$value ;;
            DATABASE_FROM) DATABASE_FROM=$value ;;
            DATABASE_MEMORY) DATABASE_MEMORY=$value ;;
            BINARY_LOG) BINARY_LOG=$value ;;
            PICTURES) PICTURES=$value ;;
            LISTEN) LISTEN=$value ;;
            *) fail "$ENV_DIR/settings has something other than a setting in it." ;;
        esac
    done < <(cat "$ENV_DIR/settings" 2>/dev/null)
    case $PUBLIC_URL in
        '') ;;
        *[!0-9A-Za-z.:/-]*) fail "the public address is no address: $PUBLIC_URL" ;;
        http://?*|https://?*) ;;
        *) fail "the public address begins with https:// or http://: $PUBLIC_URL" ;;
    esac
    case ${PUBLIC_URL#*://} in */*) fail "the public address ends with its name or port: $PUBLIC_URL" ;; esac
    case $TRUSTED_PROXIES in *[!0-9a-fA-F.:,/]*) fail "the server in front is known by its address: $TRUSTED_PROXIES" ;; esac
    case $DATABASE_AT in '' | *[!0-9A-Za-z.:-]*) [ -z "$DATABASE_AT" ] || fail "the database is at an address and a port: $DATABASE_AT" ;; *:*[0-9]) ;; *) fail "the database is at an address and a port: $DATABASE_AT" ;; esac
    case $DATABASE_CA$PICTURES in *[!0-9A-Za-z./:@%?\&=_-]*) fail 'a path or an address in the settings has a sign in it that it cannot have.' ;; esac
    case $DATABASE_FROM in '' | *[!0-9A-Za-z.:%_-]*) fail "the database knows this machine by an address: $DATABASE_FROM" ;; esac
    case $BINARY_LOG in *[!0-9]*) fail "what was written is kept for a number of days: $BINARY_LOG" ;; esac
    case $DATABASE_MEMORY in '' | *[!0-9]*) fail "the database's memory is a number of megabytes: $DATABASE_MEMORY" ;; esac
    case $LISTEN in '' | *[!0-9a-fA-F.:]*) fail "what is listened at is an address of this machine: $LISTEN" ;; esac
}

# The name alone, without a port.
public_name() { local name=${PUBLIC_URL#*://}; printf '%s' "${name%:*}"; }

# is_as_it_was COMMAND FILE: whether a server's configuration would be what it runs with.
is_as_it_was() {
    local was
    was=$(cat "$2" 2>/dev/null || true)
    "$1"
    [ "$was" = "$(cat "$2")" ]
}

start_nginx() {
    WEB_PORT=$(choose_port web "$1") && write_nginx_config &&
        as_service nginx -c "$ENV_DIR/nginx.conf" -p "$ENV_DIR" -e "$ENV_DIR/log/nginx.log" 9>&-
}

# ready_at ADDRESS: what a machine says of itself there, and whether it may be asked for anything.
ready_at() { php -r '$said = trim((string) @file_get_contents($argv[1]."/health/ready", context: stream_context_create(["http" => ["ignore_errors" => true, "timeout" => 5]]))); echo $said; exit("Ready." === $said ? 0 : 1);' "$1"; }

# start_web FIRST_PORT: PHP-FPM and nginx over the code and the settings as they are now.
start_web() {
    WEB_PORT=$(kept_port web) || stop_one nginx QUIT
    { running fpm && is_as_it_was write_fpm_config "$ENV_DIR/fpm.conf"; } || stop_one fpm QUIT
    { running nginx && is_as_it_was write_nginx_config "$ENV_DIR/nginx.conf"; } || stop_one nginx QUIT
    if ! running fpm; then
        write_fpm_config
        # Nothing is loaded ahead for root, as whom servers run only where a folder is closed to others.
        local preload
        preload=$([ "$SERVICE_USER" = root ] || ls "${CACHE_DIR:-$ENV_DIR/cache}"/prod/*.preload.php)
        as_user_to "$SERVICE_USER" "$ENV_DIR/log/start.log" php-fpm8.2 --fpm-config "$ENV_DIR/fpm.conf" -d opcache.enable=1 -d opcache.validate_timestamps=0 \
            -d opcache.preload="$preload" -d opcache.jit=tracing -d opcache.jit_buffer_size=64M \
            -d opcache.memory_consumption=192 -d opcache.max_accelerated_files=20000 -d opcache.interned_strings_buffer=16 -d apc.shm_size=96M \
            $([ "$SERVICE_USER" != root ] || printf -- -R) </dev/null 9>&- || fail "PHP-FPM did not start; $ENV_DIR/log/start.log says why."
        started fpm || fail "PHP-FPM did not start; $ENV_DIR/log/start.log says why."
    fi
    if ! running nginx; then
        # Another installation may take a port between the question whether it is free and its use.
        start_nginx "$1" || { port_is_free "$WEB_PORT" || start_nginx "$1"; } || fail "nginx did not start; $ENV_DIR/log/nginx.log says why."
        started nginx || fail "nginx did not start; $ENV_DIR/log/nginx.log says why."
    fi
    WEB_URL="http://127.0.0.1:$WEB_PORT"
}
