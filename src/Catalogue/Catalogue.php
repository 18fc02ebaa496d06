<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Exemption;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Words\Name;
use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\Prerequisite;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Testing\TestDefinition;
use Symfony\Component\Config\ConfigCache;
use Symfony\Component\Config\Resource\DirectoryResource;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpKernel\CacheWarmer\CacheWarmerInterface;
use Symfony\Component\VarExporter\VarExporter;
use Symfony\Contracts\Translation\LocaleAwareInterface;

/**
 * The catalogue: what is shipped, read and checked once and kept compiled as PHP, and beside it what a teacher has
 * written.
 */
final class Catalogue implements CacheWarmerInterface, LocaleAwareInterface
{
    private const ENGLISH = 'en';
    private const USUAL_SCHOOL = 'counted-breath';

    /** @var array<string, array<string, array<string, mixed>>>|null */
    private ?array $entries = null;
    /**
     * @var array<string, string> files with what is shipped as the core takes it, by what it is: each is read once
     *     somebody asks for it
     */
    private array $compiled = [];

    /**
     * @var array<string, array<string, array<string, mixed>>>|\Closure(): array<string, array<string, array<string,
     *     mixed>>>
     */
    private array|\Closure $own = [];

    /** @var array<string, list<PracticeRung>>|null */
    private ?array $practice = null;
    /** @var array<string, PracticeDrill>|null */
    private ?array $drills = null;

    /** @var array<string, string>|null ids of conditions and stop signs, by what people call them */
    private ?array $called = null;

    /** @var array<string, PostureDefinition>|null */
    private ?array $postures = null;

    /** @var array<string, TestDefinition>|null */
    private ?array $tests = null;

    public function __construct(
        #[Autowire('%kernel.project_dir%/catalogue')]
        private readonly string $folder,
        #[Autowire('%kernel.cache_dir%/catalogue.php')]
        private readonly string $cache,
        #[Autowire('%kernel.debug%')]
        private readonly bool $debug,
        #[Autowire('%kernel.default_locale%')]
        private string $locale,
    ) {
    }

    public function getLocale(): string
    {
        return $this->locale;
    }

    /** In a language that there are no texts of it speaks English. */
    public function setLocale(string $locale): void
    {
        $spoken = is_dir("$this->folder/locale/$locale") ? $locale : self::ENGLISH;
        if ($spoken !== $this->locale) {
            $this->locale = $spoken;
            $this->entries = $this->called = $this->practice = $this->drills = $this->postures = $this->tests = null;
            $this->compiled = [];
        }
    }

    /**
     * @return array<string, array<string, mixed>> by id: the shipped entries, and those of the teacher whose they were
     *     laid beside them
     */
    public function all(Kind $kind): array
    {
        if ($this->own instanceof \Closure) {
            $this->own = ($this->own)();
        }

        return $this->shipped($kind) + ($this->own[$kind->value] ?? []);
    }

    /** @return array<string, array<string, mixed>> by id */
    public function shipped(Kind $kind): array
    {
        return $this->entries()[$kind->value];
    }

    /**
     * Lays a teacher's own entries beside the shipped ones: they are read, planned and practised like these. None
     * stands in the place of a shipped one.
     *
     * @param array<string, array<string, array<string, mixed>>>|\Closure(): array<string, array<string, array<string,
     *     mixed>>> $own by kind and id; or what answers with them once somebody asks
     */
    public function lay(array|\Closure $own): void
    {
        $this->own = $own;
        $this->practice = $this->drills = $this->postures = $this->tests = null;
    }

    /** @return array<string, mixed>|null */
    public function entry(Kind $kind, string $id): ?array
    {
        return $this->all($kind)[$id] ?? null;
    }

    /** As it is now on disk, with everything that is wrong with it. */
    public function folder(): CatalogueFolder
    {
        return new CatalogueFolder($this->folder, $this->locale);
    }

    /** What one more entry is checked together with: the same, read and found right before. */
    public function compiled(): CatalogueFolder
    {
        $entries = [];
        foreach (Kind::cases() as $kind) {
            $entries[$kind->value] = $this->shipped($kind);
        }

        return new CatalogueFolder($this->folder, $this->locale, $entries);
    }

    public function schemas(): string
    {
        return $this->folder.'/schema';
    }

    public function text(Kind $kind, string $id): ?string
    {
        return !isset($this->shipped($kind)[$id])
            ? null
            : (string) file_get_contents("$this->folder/{$kind->folder()}/$id.yaml");
    }

    /** @return array<string, Condition> what cautions hold, by id; stop signs are pain, and stand elsewhere */
    public function conditions(): array
    {
        $conditions = [];
        foreach ($this->all(Kind::Caution) as $group) {
            foreach ($group['items'] as $item) {
                if (!isset($item['pain'])) {
                    $conditions[$item['id']] = Definitions::ofCondition($item);
                }
            }
        }

        return $conditions;
    }

    /** @return string|null the id of the condition, or of the stop sign, that people call so; null where none is */
    public function conditionCalled(string $name): ?string
    {
        if (null === $this->called) {
            $this->called = [];
            foreach ($this->all(Kind::Caution) as $group) {
                foreach ($group['items'] as $item) {
                    foreach ([$item['id'], $item['name'], ...$item['also'] ?? []] as $called) {
                        $this->called[Name::plain($called)] ??= $item['id'];
                    }
                }
            }
        }

        return $this->called[Name::plain($name)] ?? null;
    }

    /** @return list<string> conditions that are of one side, or of both */
    public function sided(): array
    {
        $sided = [];
        foreach ($this->all(Kind::Caution) as $group) {
            array_push(
                $sided,
                ...array_column(
                    array_filter($group['items'], static fn (array $item): bool => $item['sided'] ?? false),
                    'id',
                ),
            );
        }

        return $sided;
    }

    /**
     * Conditions that are found by counting points.
     *
     * @return array<string, array{name: string, least: int, questions: array<string, string>}> the text of each
     *     question by its id, by condition
     */
    public function screenings(): array
    {
        $screenings = [];
        foreach ($this->all(Kind::Caution) as $group) {
            foreach ($group['items'] as $item) {
                if (isset($item['points'])) {
                    $screenings[$item['id']] = [
                        'name' => $item['name'],
                        'least' => $item['points']['least'],
                        'questions' => array_column($item['points']['questions'], 'ask', 'id'),
                    ];
                }
            }
        }

        return $screenings;
    }

    /**
     * A condition by its id; one that no caution knows holds every deep rung. Somebody under eighteen rests until a
     * guardian has agreed.
     */
    public function condition(string $id, bool $hasConsent): Condition
    {
        $known = $this->conditions()[$id] ?? Condition::unknown($id);

        return Ending::Birthday === $known->ending && !$hasConsent
            ? new Condition(
                $known->id,
                $known->name,
                [Condition::ALL],
                spares: Exemption::LyingRest,
                ending: $known->ending,
            )
            : $known;
    }

    public function rung(string $posture, string $rung): ?RungDefinition
    {
        return ($this->postures()[$posture] ?? null)?->rung($rung);
    }

    /**
     * @return array<string, array{id: string, name: string, pain: string, means: string, change?: string,
     *     warns?: true}> where a shape may be felt, and what it means there, by id
     */
    public function feelings(): array
    {
        return array_column(
            array_merge(
                ...array_values(
                    array_map(static fn (array $group): array => $group['items'], $this->all(Kind::Feeling)),
                ),
            ),
            null,
            'id',
        );
    }

    /** A place in which a shape may be felt, by its id; one that is on no list is taken for the most serious. */
    public function feltPlace(string $id): FeltPlace
    {
        $place = $this->feelings()[$id] ?? null;

        return null === $place
            ? FeltPlace::unlisted($id)
            : new FeltPlace($id, PainPlace::from($place['pain']), $place['warns'] ?? false);
    }

    /**
     * A rung, or a form beside one, as it is written.
     *
     * @param string $name "posture/rung"
     *
     * @return array<string, mixed>|null
     */
    public function named(string $name): ?array
    {
        [$posture, $rung] = explode('/', $name, 2) + [1 => ''];

        return array_column(Shapes::of($this->entry(Kind::Posture, $posture) ?? []), null, 'id')[$rung] ?? null;
    }

    /** @param array{rung?: string, how?: string} $instead a knee-safe or a lying form */
    public function instead(array $instead): string
    {
        $name = $instead['rung'] ?? '';
        $posture = $this->entry(Kind::Posture, explode('/', $name, 2)[0])['name'] ?? '';
        $rung = $this->named($name)['name'] ?? '';

        return implode(
            ': ',
            array_unique(
                array_filter(
                    [$posture, '' === $rung ? '' : lcfirst($rung), $instead['how'] ?? ''],
                    static fn (string $part): bool => '' !== $part,
                ),
            ),
        );
    }

    /** @return array<string, Pain> what a yes to the question of a stop sign says, by its id */
    public function stopSigns(): array
    {
        $signs = [];
        foreach ($this->all(Kind::Caution) as $group) {
            foreach ($group['items'] as $item) {
                if (isset($item['pain'])) {
                    $signs[$item['id']] = new Pain(
                        $item['pain']['level'],
                        PainPlace::from($item['pain']['place']),
                        PainKind::from($item['pain']['kind']),
                    );
                }
            }
        }

        return $signs;
    }

    /** @return array<string, TestDefinition> by id, in the taught order */
    public function tests(): array
    {
        if (null === $this->tests) {
            $own = $this->ownOf(Kind::Test);
            $this->tests = [] === $own ? $this->compiledOf('tests') : Definitions::ofTests(
                $this->all(Kind::Test),
                $this->drawn(),
            );
        }

        return $this->tests;
    }

    /** @return array<string, PostureDefinition> by id */
    public function postures(): array
    {
        return $this->postures ??=
            $this->compiledOf('postures') + Definitions::ofPostures($this->ownOf(Kind::Posture), $this->drawn());
    }

    /** @return array<string, list<PracticeRung>> the ladder of each posture as something to practise, by id */
    public function practiceRungs(): array
    {
        return $this->practice ??=
            $this->compiledOf('practice') + Definitions::ofPractice($this->ownOf(Kind::Posture), $this->drawn());
    }

    /** @return array<string, string> what entries are called, by id */
    public function names(Kind $kind): array
    {
        return array_map(static fn (array $entry): string => $entry['name'], $this->all($kind));
    }

    /** @return array<string, string> the poses that somebody may want, by id */
    public function poses(): array
    {
        return array_intersect_key(
            $this->names(Kind::Posture),
            array_filter($this->all(Kind::Posture), static fn (array $posture): bool => $posture['target']),
        );
    }

    /** @return array<string, PracticeDrill> by id */
    public function drills(): array
    {
        return $this->drills ??=
            $this->compiledOf('drills') + Definitions::ofDrills($this->ownOf(Kind::Drill), $this->practiceRungs());
    }

    /** The dose of a school; without one that is known, breath is counted. */
    public function dose(?string $school): Dose
    {
        return Definitions::ofSchool(
            $this->entry(Kind::School, $school ?? '') ??
                ($this->entry(Kind::School, self::USUAL_SCHOOL) ?? throw new \LogicException('There is no school.')),
        );
    }

    public function warmUp(string $cacheDir, ?string $buildDir = null): array
    {
        $this->entries();

        return [];
    }

    public function isOptional(): bool
    {
        return true;
    }

    /** @throws \OutOfBoundsException when there is no such posture */
    public function ladder(string $id): Ladder
    {
        $posture = $this->entry(Kind::Posture, $id) ?? throw new \OutOfBoundsException("There is no posture $id.");
        $rungs = [];
        foreach ($posture['rungs'] as $rung) {
            $rungs[] = new Rung(
                $rung['id'],
                $rung['name'],
                Definitions::propRule($rung),
                array_column($rung['compensations'], 'text', 'id'),
                $rung,
            );
        }
        $prepares = [];
        foreach ($this->all(Kind::Posture) as $other => $data) {
            $why = $data['relations']['prepares'][$id] ?? null;
            if (null !== $why) {
                $prepares[] = new Prerequisite($other, $data['name'], ucfirst($why).'.');
            }
        }

        if ([] === $rungs) {
            throw new \OutOfBoundsException("The posture $id has no rungs.");
        }

        return new Ladder($id, $posture['name'], $rungs, $prepares);
    }

    /** @return array<string, array<string, array<string, mixed>>> */
    private function entries(): array
    {
        if (null !== $this->entries) {
            return $this->entries;
        }
        $file = self::ENGLISH === $this->locale ? $this->cache : "$this->cache.$this->locale.php";
        $cache = new ConfigCache($file, $this->debug);
        if (!$cache->isFresh()) {
            $folder = $this->folder();
            if ([] !== $folder->faults) {
                throw InvalidCatalogue::because($folder->faults);
            }
            $drawn = new DrawnShapes($folder->entries[Kind::Posture->value]);
            $practice = Definitions::ofPractice($folder->entries[Kind::Posture->value], $drawn);
            $compiled = [];
            foreach (
                [
                    'tests' => Definitions::ofTests($folder->entries[Kind::Test->value], $drawn),
                    'postures' => Definitions::ofPostures($folder->entries[Kind::Posture->value], $drawn),
                    'practice' => $practice,
                    'drills' => Definitions::ofDrills($folder->entries[Kind::Drill->value], $practice),
                ] as $name => $definitions
            ) {
                $compiled[$name] = "$file.$name.php";
                (new ConfigCache($compiled[$name], false))->write(
                    '<?php return '.VarExporter::export($definitions).';',
                );
            }
            // Last, for it says that the others are there.
            $cache->write(
                '<?php return '.var_export(['entries' => $folder->entries, 'compiled' => $compiled], true).';',
                [new DirectoryResource($this->folder)],
            );
        }
        ['entries' => $entries, 'compiled' => $this->compiled] = require $cache->getPath();

        return $this->entries = $entries;
    }

    /** @return array<string, mixed> by id */
    private function compiledOf(string $name): array
    {
        $this->entries();

        return require $this->compiled[$name];
    }

    private function drawn(): DrawnShapes
    {
        return new DrawnShapes($this->all(Kind::Posture));
    }

    /** @return array<string, array<string, mixed>> what a teacher has written of a kind, by id */
    private function ownOf(Kind $kind): array
    {
        return array_diff_key($this->all($kind), $this->shipped($kind));
    }
}
