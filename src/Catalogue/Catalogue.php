<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Posture\Ladder;
use Symfony\Component\Config\ConfigCache;
use Symfony\Component\Config\Resource\FileResource;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpKernel\CacheWarmer\CacheWarmerInterface;

/**
 * The catalogue, read and checked once, and kept compiled as PHP.
 *
 * @phpstan-import-type LadderData from LadderFile
 */
final class Catalogue implements CacheWarmerInterface
{
    /** @var array<string, Ladder> */
    private array $ladders = [];

    public function __construct(
        #[Autowire('%kernel.project_dir%/catalogue')]
        private readonly string $folder,
        #[Autowire('%kernel.cache_dir%/catalogue')]
        private readonly string $cache,
        #[Autowire('%kernel.debug%')]
        private readonly bool $debug,
    ) {
    }

    public function halfLotus(): Ladder
    {
        return $this->ladder('half-lotus');
    }

    public function warmUp(string $cacheDir, ?string $buildDir = null): array
    {
        $this->halfLotus();

        return [];
    }

    public function isOptional(): bool
    {
        return true;
    }

    private function ladder(string $id): Ladder
    {
        return $this->ladders[$id] ??= LadderFile::ladder($this->data($id));
    }

    /** @return LadderData */
    private function data(string $id): array
    {
        $cache = new ConfigCache("{$this->cache}/{$id}.php", $this->debug);
        if (!$cache->isFresh()) {
            $file = "{$this->folder}/{$id}.yaml";
            $schema = "{$this->folder}/schema/ladder.json";
            $data = LadderFile::read($file, $schema);
            $cache->write('<?php return '.var_export($data, true).';', [new FileResource($file), new FileResource($schema)]);

            return $data;
        }

        return require $cache->getPath();
    }
}
