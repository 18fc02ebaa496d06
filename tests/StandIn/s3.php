<?php

declare(strict_types=1);

/*
 * A store that speaks as much of the S3 protocol as pictures need: one object put, read, looked for, removed, and names
 * listed, page by page. Who asks is checked as the protocol's signature says (version 4, in headers). Run it as
 * S3_FOLDER=… S3_KEY=… S3_SECRET=… php -S ADDRESS s3.php
 *
 * A file FOLDER/faults has one fault a line for the next requests: 500, 503, cut (half of what was promised), slow
 * (longer than anybody waits).
 */

$folder = (string) getenv('S3_FOLDER');
[$key, $secret] = [(string) getenv('S3_KEY'), (string) getenv('S3_SECRET')];
$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
$method = (string) $_SERVER['REQUEST_METHOD'];
$body = (string) file_get_contents('php://input');

$fail = static function (int $status, string $code): never {
    http_response_code($status);
    header('Content-Type: application/xml');
    echo '<?xml version="1.0"?><Error><Code>', $code, '</Code><Message>', $code, '</Message></Error>';
    exit;
};

$faults = @file("$folder/faults", FILE_IGNORE_NEW_LINES) ?: [];
$fault = array_shift($faults);
if (null !== $fault) {
    file_put_contents("$folder/faults", implode("\n", $faults));
    match ($fault) {
        '500' => $fail(500, 'InternalError'),
        '503' => $fail(503, 'SlowDown'),
        'slow' => sleep(20),
        default => null,
    };
}

// The signature, from the protocol's description: what is signed, what with, and how it is written.
$headers = array_change_key_case(getallheaders());
$said = (string) ($headers['authorization'] ?? '');
if (
    1 !== preg_match('#^AWS4-HMAC-SHA256 Credential=([^/]+)/([^,]+), SignedHeaders=([^,]+), Signature=(\w+)$#', $said, $m)
    || $key !== $m[1]
) {
    $fail(403, 'AccessDenied');
}
[, , $scope, $names, $signature] = $m;
$asked = [];
foreach (explode('&', (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_QUERY)) as $pair) {
    [$name, $value] = explode('=', $pair, 2) + ['', ''];
    if ('' !== $name) {
        $asked[] = rawurlencode(rawurldecode($name)).'='.rawurlencode(rawurldecode($value));
    }
}
sort($asked);
$of = $headers['x-amz-content-sha256'] ?? '';
if ('UNSIGNED-PAYLOAD' !== $of && !hash_equals(hash('sha256', $body), $of)) {
    $fail(400, 'XAmzContentSHA256Mismatch');
}
$signed = implode("\n", [
    $method,
    implode('/', array_map(rawurlencode(...), explode('/', $path))),
    implode('&', $asked),
    ...array_map(static fn (string $name): string => $name.':'.trim($headers[$name] ?? ''), explode(';', $names)),
    '',
    $names,
    $of,
]);
$with = 'AWS4'.$secret;
foreach (explode('/', $scope) as $part) {
    $with = hash_hmac('sha256', $part, $with, true);
}
$text = "AWS4-HMAC-SHA256\n".($headers['x-amz-date'] ?? '')."\n$scope\n".hash('sha256', $signed);
if (!hash_equals(hash_hmac('sha256', $text, $with), $signature)) {
    $fail(403, 'SignatureDoesNotMatch');
}

[$bucket, $name] = explode('/', ltrim($path, '/'), 2) + ['', ''];
if (!is_dir("$folder/$bucket")) {
    $fail(404, 'NoSuchBucket');
}
$file = "$folder/$bucket/".rawurlencode($name);
if ('' === $name) {
    // Two names a page, so that whoever lists them has to ask again.
    parse_str((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_QUERY), $query);
    $all = array_values(array_filter(
        array_map(rawurldecode(...), array_map(basename(...), glob("$folder/$bucket/*") ?: [])),
        static fn (string $one): bool => str_starts_with($one, (string) ($query['prefix'] ?? ''))
            && strcmp($one, (string) ($query['continuation-token'] ?? '')) > 0,
    ));
    $page = array_slice($all, 0, 2);
    $more = count($all) > 2;
    header('Content-Type: application/xml');
    echo '<?xml version="1.0"?><ListBucketResult><Name>', $bucket, '</Name><IsTruncated>', $more ? 'true' : 'false',
    '</IsTruncated>', $more ? '<NextContinuationToken>'.htmlspecialchars(end($page)).'</NextContinuationToken>' : '',
    implode('', array_map(
        static fn (string $one): string => '<Contents><Key>'.htmlspecialchars($one).'</Key></Contents>',
        $page,
    )), '</ListBucketResult>';
    exit;
}
switch ($method) {
    case 'PUT':
        file_put_contents("$file.part", $body);
        rename("$file.part", $file);
        header('ETag: "'.md5($body).'"');
        break;
    case 'DELETE':
        @unlink($file);
        http_response_code(204);
        break;
    default:
        if (!is_file($file)) {
            'HEAD' === $method ? http_response_code(404) : $fail(404, 'NoSuchKey');
            break;
        }
        header('Content-Type: application/octet-stream');
        header('Content-Length: '.filesize($file));
        if ('HEAD' !== $method) {
            echo 'cut' === $fault ? substr((string) file_get_contents($file), 0, 10) : file_get_contents($file);
        }
}
