<?php

declare(strict_types=1);

// ask.php ADDRESS JAR [NAME=VALUE…]: one request with the cookies of those before, its answer with its head; a form
// where there are fields. The name of the address is on this machine, and its certificate is nobody's.
[, $address, $jar] = $argv;
$fields = [];
foreach (array_slice($argv, 3) as $field) {
    [$name, $value] = explode('=', $field, 2);
    $fields[$name] = $value;
}
$parts = parse_url($address);
$asked = curl_init($address);
curl_setopt_array($asked, [
    \CURLOPT_RETURNTRANSFER => true,
    \CURLOPT_HEADER => true,
    \CURLOPT_SSL_VERIFYPEER => false,
    \CURLOPT_SSL_VERIFYHOST => 0,
    \CURLOPT_RESOLVE => [($parts['host'] ?? '').':'.($parts['port'] ?? 80).':127.0.0.1'],
    \CURLOPT_COOKIEFILE => $jar,
    \CURLOPT_COOKIEJAR => $jar,
    \CURLOPT_HTTPHEADER => ['X-Forwarded-For: 203.0.113.9', "Origin: {$parts['scheme']}://{$parts['host']}:{$parts['port']}"],
] + ([] === $fields ? [] : [\CURLOPT_POSTFIELDS => http_build_query($fields)]));
$answer = curl_exec($asked);
echo is_string($answer) ? $answer : curl_error($asked);
