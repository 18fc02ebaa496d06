# Several nodes on one machine's loopback: three of the database, two of the application, and a balancer in front.
# Each is an environment of its own under var/env/, as bin/start makes one.
# shellcheck shell=bash

DATABASE_NODES=(db1 db2 db3)
APPLICATION_NODES=(app1 app2)
NODES=("${DATABASE_NODES[@]}" "${APPLICATION_NODES[@]}" front)
# The first of the ports that are looked for.
FIRST_PORT=${CLUSTER_PORT:-33300}
CLUSTER=${CLUSTER_NAME:-cluster}
# Where pictures lie that all nodes of the application have: a folder of this machine, or a store.
CLUSTER_PICTURES=${CLUSTER_PICTURES:-$ROOT/var/env/$CLUSTER-pictures}
# Nodes of the database speak with one another at an address each, so that what is between two of them can be cut.
address() { printf '127.0.%s.%s' "${CLUSTER_NET:-1}" "${1#db}"; }
GROUP_PORT=4567

# at NODE: from here on everything is about this node.
at() {
    NODE=$1
    use_env "$CLUSTER-$1"
}

# shared FILE: what all nodes have to know alike, from the first that has it.
shared() {
    local from="$ROOT/var/env/$CLUSTER-db1/$1"
    [ "$NODE" = db1 ] || [ ! -e "$from" ] || [ "$(cat "$ENV_DIR/$1" 2>/dev/null)" = "$(cat "$from")" ] || (umask 077; keep "$ENV_DIR/$1") <"$from"
}

group() { local node list=''; for node in "${DATABASE_NODES[@]}"; do list="$list,$(address "$node"):$GROUP_PORT"; done; printf '%s' "${list#,}"; }

# as_node: with what a database of its own becomes one of several. A node that is gone is missed after two seconds, and left out
# of what the others agree on after three; what an application node that has stopped half way holds is let go after five.
as_node() {
    local at
    at=$(address "$NODE")
    AS_NODE=(--log-bin="$ENV_DIR/mysql/binlog" --log-slave-updates --expire-logs-days=7 --log-bin-trust-function-creators --binlog-format=ROW --innodb-autoinc-lock-mode=2
        --server-id="${NODE#db}" --wsrep-on=ON --wsrep-provider=/usr/lib/galera/libgalera_smm.so --wsrep-cluster-name="$CLUSTER" --wsrep-cluster-address="gcomm://$(group)"
        --wsrep-node-name="$NODE" --wsrep-node-address="$at" --wsrep-sst-method=rsync --wsrep-sst-receive-address="$at:4444" --wsrep-sst-donor=db3,db2,
        --wsrep-retry-autocommit=4 --innodb-flush-log-at-trx-commit=2 --idle-write-transaction-timeout=5
        "--wsrep-provider-options=gmcast.listen_addr=tcp://$at:$GROUP_PORT;ist.recv_addr=$at:4568;gcache.size=64M;gcache.recover=yes;evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT2S;evs.inactive_timeout=PT3S;evs.inactive_check_period=PT0.25S;evs.install_timeout=PT3S")
}

state() { db_admin -e "SELECT VARIABLE_VALUE FROM information_schema.GLOBAL_STATUS WHERE VARIABLE_NAME = 'wsrep_$1'" 2>/dev/null; }

# joined: whether this node has all that the others have, and they know of it.
joined() { [ "$(state local_state)" = 4 ] && [ "$(state ready)" = ON ]; }

any_joined() {
    local node
    for node in "${DATABASE_NODES[@]}"; do
        if (at "$node"; running mariadb && joined); then return 0; fi
    done
    return 1
}

# position: up to where this node, which does not run, has what the others have: as it was written down, or as its files tell.
position() {
    [ -d "$ENV_DIR/mysql/mysql" ] || return 0
    rm -f "$DB_DIR/recover.log"
    as_user "$DATABASE_USER" mariadbd --no-defaults --user="$DATABASE_USER" --datadir="$ENV_DIR/mysql" --socket="$DB_SOCKET.recover" --skip-networking --pid-file="$DB_DIR/recover.pid" \
        --tmpdir="$DB_DIR/tmp" "${AS_NODE[@]}" --wsrep-recover --log-error="$DB_DIR/recover.log" >/dev/null 2>&1 || true
    sed -n 's/.*Recovered position: *\([0-9a-f-]*:-\?[0-9]*\).*/\1/p' "$DB_DIR/recover.log" 2>/dev/null | tail -1
}

# newest: of nodes none of which runs, the one that has all that any of them has.
newest() {
    local node seq best=-2 name=db1
    for node in "${DATABASE_NODES[@]}"; do
        at "$node"
        if grep -q '^safe_to_bootstrap: 1' "$ENV_DIR/mysql/grastate.dat" 2>/dev/null; then name=$node; break; fi
        as_node
        seq=$(position)
        seq=${seq##*:}
        if [ "${seq:--1}" -gt "$best" ]; then best=${seq:--1} name=$node; fi
    done
    printf '%s' "$name"
}

start_database_node() {
    at "$1"
    shared secrets
    shared at-rest
    load_secrets
    if running mariadb && joined; then return; fi
    running mariadb || as_node
    local from=''
    running mariadb || from=$(position)
    # What it has it is not given once more: the others say what came after.
    case $from in '' | *:-1 | 00000000-*) ;; *) AS_NODE+=(--wsrep-start-position="$from") ;; esac
    if [ "${2:-}" = first ]; then
        sed -i 's/^safe_to_bootstrap: 0/safe_to_bootstrap: 1/' "$ENV_DIR/mysql/grastate.dat" 2>/dev/null || true
        AS_NODE+=(--wsrep-new-cluster)
    fi
    start_mariadb "$((FIRST_PORT + ${1#db}))"
    local waited=0
    until joined; do
        sleep 0.1
        waited=$((waited + 1))
        [ $waited -lt 600 ] || fail "$1 does not join the others; $DB_DIR/mariadb.log says why."
    done
}

# code_of_nodes: which files the application's nodes serve, and what is made of them, once for all of them; each machine has its own
# where there are several.
code_of_nodes() {
    CODE=$(cat "$ROOT/var/env/$CLUSTER-code" 2>/dev/null || printf '%s' "$ROOT")
    STAMP=$(source_stamp)
    CACHE_DIR=$ROOT/var/env/$CLUSTER-front/cache/$STAMP
    [ ! -d "$CACHE_DIR/prod" ] || [ ! -e "$CACHE_DIR.made" ] || return 0
    DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" none)
    step 'Preparing the application' warm_cache
    touch "$CACHE_DIR.made"
}

# balancer WORDS: what it answers.
balancer() { php -r '$s = stream_socket_client("unix://".$argv[1], $n, $e, 2) ?: exit(1); fwrite($s, $argv[2]."\n"); echo stream_get_contents($s);' "$ROOT/var/env/$CLUSTER-front/run/balancer.sock" "$*"; }

# seen NODE: how the balancer finds it.
seen() { balancer show stat | awk -F, -v node="$1" '$1 == "application" && $2 == node { print $18 }'; }

# requests_at NODE: how many it is at.
requests_at() { balancer show stat | awk -F, -v node="$1" '$1 == "application" && $2 == node { print $5 }'; }

start_application_node() {
    at "$1"
    shared secrets
    shared at-rest
    printf 'DATABASE_AT=127.0.0.1:%s\nPICTURES=%s\nPUBLIC_URL=%s\nTRUSTED_PROXIES=127.0.0.1\n' \
        "$FIRST_PORT" "$CLUSTER_PICTURES" "http://127.0.0.1:$((FIRST_PORT + 20))" | keep "$ENV_DIR/settings"
    load_secrets
    DB_PORT=0
    code_of_nodes
    DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" lucid_ascent)
    start_web "$((FIRST_PORT + 10 + ${1#app}))"
}

port_of() { cat "$ROOT/var/env/$CLUSTER-$1/$2.port" 2>/dev/null || printf 1; }

# start_front: a balancer that runs takes up what has changed: its rules, or where a node is.
start_front() {
    at front
    local node
    local -a where=("ADMIN=$ROOT/var/env/$CLUSTER-front/run/balancer.sock" "FRONT=127.0.0.1:$((FIRST_PORT + 20))" "DATABASE=127.0.0.1:$FIRST_PORT" "NODE_READY=$ROOT/bin/node-ready" "AWAY=$ROOT/public/away.http")
    for node in "${DATABASE_NODES[@]}"; do where+=("${node^^}=127.0.0.1:$(port_of "$node" mariadb)"); done
    for node in "${APPLICATION_NODES[@]}"; do where+=("${node^^}=127.0.0.1:$(port_of "$node" web)"); done
    if [ "$(cat "$ENV_DIR/haproxy" 2>/dev/null)" != "$(printf '%s\n' "${where[@]}"; cat "$ROOT/deploy/haproxy.cfg")" ]; then
        stop_one haproxy TERM
        { printf '%s\n' "${where[@]}"; cat "$ROOT/deploy/haproxy.cfg"; } | keep "$ENV_DIR/haproxy"
    fi
    if running haproxy; then return; fi
    keep_for_servers "$ENV_DIR/haproxy.cfg" <"$ROOT/deploy/haproxy.cfg"
    as_user_to "$SERVICE_USER" "$ENV_DIR/log/haproxy.log" env "${where[@]}" setsid haproxy -db -f "$ENV_DIR/haproxy.cfg" -L "$ENV_DIR" >/dev/null 2>&1 </dev/null 9>&- &
    started haproxy || fail "the balancer did not start; $ENV_DIR/log/haproxy.log says why."
}
