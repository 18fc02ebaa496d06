# Installs what is missing: Debian packages, Composer's and npm's. Each is skipped when it is there.
# shellcheck shell=bash

debian_packages() {
    printf '%s\n' php8.2-cli php8.2-fpm php8.2-mysql php8.2-curl php8.2-zip php8.2-gd php8.2-intl php8.2-mbstring \
        php8.2-xml php8.2-apcu php8.2-opcache mariadb-server mariadb-client nginx-light unzip
    command -v composer >/dev/null 2>&1 || printf 'composer\n'
    if [ "${1:-}" = with-nodes ]; then
        printf '%s\n' galera-4 haproxy rsync nftables
    fi
    if [ "${1:-}" = with-browser ]; then
        printf 'chromium\n'
        command -v node >/dev/null 2>&1 || printf 'nodejs\nnpm\n'
    fi
}

missing_debian_packages() {
    local package
    while read -r package; do
        [ "$(dpkg-query -W -f='${db:Status-Status}' "$package" 2>/dev/null)" = installed ] || printf '%s ' "$package"
    done < <(debian_packages "$@")
}

# Debian starts a service as soon as its package is installed; a policy that says no keeps it from that.
apt_without_services() {
    local policy=/usr/sbin/policy-rc.d kept=''
    if [ -e "$policy" ] && ! grep -q 'lucid-ascent' "$policy"; then
        kept=$policy.before-lucid-ascent
        mv "$policy" "$kept"
    fi
    printf '#!/bin/sh\n# lucid-ascent: no service starts while packages are installed\nexit 101\n' >"$policy"
    chmod +x "$policy"
    # shellcheck disable=SC2064
    trap "trap - RETURN; rm -f '$policy'; [ -z '$kept' ] || mv '$kept' '$policy'" RETURN
    dpkg --configure -a && apt-get update -q && apt-get install -y -q --no-install-recommends "$@"
}

install_debian() {
    local missing
    missing=$(missing_debian_packages "$@")
    [ -n "$missing" ] || return 0
    [ "$(id -u)" -eq 0 ] || fail "these Debian packages are missing, and only root can install them: $missing"
    # shellcheck disable=SC2086
    step 'Installing Debian packages' apt_without_services $missing
}

# done_once NAME FILE COMMAND…: runs the command unless it has succeeded with FILE as it is now.
done_once() {
    local name=$1 what=$2 file=$3 now
    now=$(sum_of "$3")
    shift 3
    if is_done "$name" "$file"; then return 0; fi
    rm -f "$ROOT/var/install/$name.sum"
    step "$what" "$@"
    printf '%s\n' "$now" >"$ROOT/var/install/$name.sum"
}
is_done() { [ "$(cat "$ROOT/var/install/$1.sum" 2>/dev/null)" = "$(sum_of "$2")" ]; }
sum_of() { sha256sum "$1" | cut -d' ' -f1; }

# Some archives unpack readable to their owner alone; the servers have to read the libraries too.
update_composer() {
    composer update --no-progress "$@" && chmod -R u+rwX,go+rX vendor
}

# install_composer [for-tests]: what runs needs none of the libraries that tests do; where those are already, they stay.
install_composer() {
    [ -f vendor/autoload_runtime.php ] || rm -f var/install/composer.sum var/install/composer-tests.sum
    if [ "${1:-}" = for-tests ]; then
        done_once composer-tests 'Installing PHP libraries' composer.json update_composer
    elif ! is_done composer-tests composer.json; then
        rm -f var/install/composer-tests.sum
        done_once composer 'Installing PHP libraries' composer.json update_composer --no-dev
    fi
}

install_npm() {
    [ -d node_modules/playwright-core ] || rm -f var/install/npm.sum
    done_once npm 'Installing JavaScript tools' package-lock.json npm ci --ignore-scripts --no-audit --no-fund
}
