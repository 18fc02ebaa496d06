<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use Aws\Exception\AwsException;
use Aws\S3\S3Client;

/** Pictures in a store that speaks the S3 protocol, for several machines. */
final class PicturesInBucket implements PictureFiles
{
    private const CONNECT_SECONDS = 2;
    private const ANSWER_SECONDS = 10;
    private const TRIES = 3;

    private ?S3Client $client = null;

    /**
     * @param string $at where the store is, without a path
     * @param string $of what stands before each name in the bucket
     */
    private function __construct(
        private readonly string $at,
        private readonly string $region,
        private readonly string $key,
        #[\SensitiveParameter]
        private readonly string $secret,
        private readonly string $bucket,
        private readonly string $of,
    ) {
    }

    /**
     * @param string $url s3://KEY:SECRET@HOST[:PORT]/BUCKET[/FOLDER][?region=…&tls=0]
     *
     * @throws \InvalidArgumentException when it is none
     */
    public static function at(#[\SensitiveParameter] string $url): self
    {
        $part = parse_url($url);
        [$bucket, $folder] = explode('/', trim($part['path'] ?? '', '/'), 2) + ['', ''];
        if (!isset($part['host'], $part['user'], $part['pass']) || '' === $bucket) {
            throw new \InvalidArgumentException(
                'Pictures are in a folder, or at s3://KEY:SECRET@HOST/BUCKET, where a sign that has a meaning in an '.
                    'address is written with % and its code.',
            );
        }
        parse_str($part['query'] ?? '', $asked);
        $region = $asked['region'] ?? 'us-east-1';

        return new self(
            ('0' === ($asked['tls'] ?? '1') ? 'http' : 'https').'://'.$part['host'].
                (isset($part['port']) ? ":{$part['port']}" : ''),
            is_string($region) ? $region : throw new \InvalidArgumentException('A region has one name.'),
            rawurldecode($part['user']),
            rawurldecode($part['pass']),
            $bucket,
            '' === $folder ? '' : "$folder/",
        );
    }

    public function has(string $name): bool
    {
        return null !== $this->unless404(fn (): mixed => $this->client()->headObject($this->object($name)));
    }

    public function read(string $name): ?string
    {
        $bytes = $this->unless404(
            fn (): string => (string) $this->client()->getObject($this->object($name))['Body'],
        );

        return is_string($bytes) ? $bytes : null;
    }

    public function write(string $name, string $bytes): void
    {
        try {
            $this->client()->putObject(['Body' => $bytes] + $this->object($name));
        } catch (AwsException) {
            throw UnfitPicture::notKept();
        }
    }

    public function remove(string $name): void
    {
        $this->unless404(fn (): mixed => $this->client()->deleteObject($this->object($name)));
    }

    public function names(): iterable
    {
        try {
            $asked = ['Bucket' => $this->bucket, 'Prefix' => $this->of];
            foreach ($this->client()->getPaginator('ListObjectsV2', $asked) as $page) {
                foreach ($page['Contents'] ?? [] as $one) {
                    yield substr((string) $one['Key'], strlen($this->of));
                }
            }
        } catch (AwsException) {
            throw new PicturesAway('The store of pictures does not list them.');
        }
    }

    /**
     * @param \Closure(): mixed $ask
     *
     * @return mixed null when there is none of that name
     */
    private function unless404(\Closure $ask): mixed
    {
        try {
            return $ask();
        } catch (AwsException $e) {
            // A bucket that is not there is no picture that is gone.
            if (404 === $e->getStatusCode() && 'NoSuchBucket' !== $e->getAwsErrorCode()) {
                return null;
            }

            throw new PicturesAway('The store of pictures does not answer.');
        }
    }

    /** @return array{Bucket: string, Key: string} */
    private function object(string $name): array
    {
        return ['Bucket' => $this->bucket, 'Key' => $this->of.$name];
    }

    private function client(): S3Client
    {
        return $this->client ??= new S3Client([
            'version' => '2006-03-01',
            'region' => $this->region,
            'endpoint' => $this->at,
            'use_path_style_endpoint' => true,
            'credentials' => ['key' => $this->key, 'secret' => $this->secret],
            'http' => ['connect_timeout' => self::CONNECT_SECONDS, 'timeout' => self::ANSWER_SECONDS],
            'retries' => ['mode' => 'standard', 'max_attempts' => self::TRIES],
            // Whether a picture is as it was sealed shows when it is opened; not every store knows of more.
            'request_checksum_calculation' => 'when_required',
            'response_checksum_validation' => 'when_required',
            // Nothing is read from the machine that it runs on.
            'use_aws_shared_config_files' => false,
            'suppress_php_deprecation_warning' => true,
        ]);
    }
}
