#!/usr/bin/env bash
# Behind a server with a name and a certificate: one signs in, cookies are Secure, addresses are of that name, who asks
# is who asked in front, and nobody else's word for it is taken.
. "$(dirname "$0")/environment.sh"
also_leave() { nginx -c "$FRONT/nginx.conf" -p "$FRONT" -e "$FRONT/said" -s stop 2>/dev/null || true; }
environment front
FRONT=$OUT
NAME=studio.test
begun
TLS=$(php -r 'echo parse_url("tcp://".stream_socket_get_name(stream_socket_server("tcp://127.0.0.1:0"), false), PHP_URL_PORT);')
# Running servers take up what has changed.
before=$(server nginx)
bin/start --public-url="https://$NAME:$TLS" >/dev/null
[ "$(server nginx)" != "$before" ] || fault 'the server runs on with the settings of before'
bin/start >/dev/null
PORT=$(cat "$FOLDER/web.port")

php -r '$k = openssl_pkey_new(["private_key_bits" => 2048]); $c = openssl_csr_sign(openssl_csr_new(["commonName" => $argv[1]], $k), null, $k, 2);
    openssl_x509_export_to_file($c, "$argv[2]/front.crt"); openssl_pkey_export_to_file($k, "$argv[2]/front.key");' "$NAME" "$FRONT"
cat >"$FRONT/nginx.conf" <<NGINX
pid $FRONT/pid;
events {}
http {
    access_log off;
    client_body_temp_path $FRONT/body; proxy_temp_path $FRONT/proxy; fastcgi_temp_path $FRONT/f; uwsgi_temp_path $FRONT/u; scgi_temp_path $FRONT/s;
    server {
        listen 127.0.0.1:$TLS ssl;
        server_name $NAME;
        ssl_certificate $FRONT/front.crt;
        ssl_certificate_key $FRONT/front.key;
        location / {
            proxy_pass http://127.0.0.1:$PORT;
            proxy_set_header Host $NAME;
            proxy_set_header X-Forwarded-Proto https;
            # As if somebody else had asked: a client says its own address, and the front has the last word.
            proxy_set_header X-Forwarded-For "\$http_x_forwarded_for, 198.51.100.7";
        }
    }
}
NGINX
nginx -c "$FRONT/nginx.conf" -p "$FRONT" -e "$FRONT/said"

# All that is asked goes through the front.
URL="https://$NAME:$TLS"
signed=$(sign_in)
case $signed in 'HTTP/1.1 302'*) ;; *) fault "nobody signs in behind it: ${signed:0:400}" ;; esac
grep -i '^set-cookie: ascent=' <<<"$signed" | grep -qi 'secure' || fault "the cookie is not Secure: ${signed:0:800}"
grep -qi '^strict-transport-security: max-age=31536000' <<<"$signed" || fault 'a browser may come without TLS next time'
! grep -i '^location:' <<<"$signed" | grep -q '127.0.0.1' || fault "it leads elsewhere: ${signed:0:800}"
person=$(ask / | grep -o '/practitioners/[0-9a-f-]\{36\}' | head -1)
[ -n "$person" ] || fault 'signed in, nobody is seen'
given=$(ask "$person/own" do=open "_token=$(ask "$person/own" | value _token)")
grep -q "data-own-address=\"https://$NAME:$TLS/own#" <<<"$given" || fault 'the address that is given out is of another name'
from=$(db_admin -e 'SELECT GROUP_CONCAT(DISTINCT address) FROM lucid_ascent.sign_in_attempt')
[ "$from" = 198.51.100.7 ] || fault "whoever signed in is taken for $from"
# Any other name is no way in, and asked directly nobody's word for an address counts.
case $(php tests/Kills/ask.php "http://evil.example:$PORT/sign-in" "$FRONT/jar") in 'HTTP/1.1 421'*) ;; *) false ;; esac || fault 'another name is answered'
# Whoever knocks without pause is answered by the web server alone, and is counted by the address in front.
many=$(for i in $(seq 120); do printf 'http://127.0.0.1:%s/sign-in\n' "$PORT"; done | php -r '
    $all = curl_multi_init(); $asked = [];
    foreach (file("php://stdin", FILE_IGNORE_NEW_LINES) as $url) {
        $asked[] = $one = curl_init($url);
        curl_setopt_array($one, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ["X-Forwarded-For: 203.0.113.9"]]);
        curl_multi_add_handle($all, $one);
    }
    do { curl_multi_exec($all, $running); curl_multi_select($all); } while ($running);
    echo count(array_filter($asked, fn ($one) => 429 === curl_getinfo($one, CURLINFO_RESPONSE_CODE)));')
[ "$many" -gt 20 ] || fault "of 120 knocks at once $many were turned away"
case $(ask /sign-in) in 'HTTP/1.1 302'*) ;; *) fault 'and others with it' ;; esac
echo 'ok'
