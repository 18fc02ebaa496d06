<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\ResultSetMapping;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenByTeacher;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\App\Entity\WaysCompared;
use LucidAscent\App\Entity\WayTried;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;

/**
 * What every page of a person asks, in one question: all that was written down about that person but logs, older plans
 * and tests in which nothing hurt; with the teacher's newest tool errors.
 */
final readonly class AboutPerson
{
    /** In this order: what others lead to comes before them. */
    public const KINDS = [
        Assessment::class,
        RungCheck::class,
        Decision::class,
        BodyMeasures::class,
        Clearance::class,
        Mistake::class,
        PainSaid::class,
        SeenRung::class,
        Test::class,
        PracticePlan::class,
        ToolSettings::class,
        FromPractitioner::class,
        PractitionerNote::class,
        SeenByTeacher::class,
        FeltInRung::class,
        OtherLoad::class,
        WaysCompared::class,
        WayTried::class,
    ];

    public function __construct(
        private EntityManagerInterface $em,
        #[Autowire(service: 'cache.system')]
        private CacheInterface $cache,
    ) {
    }

    /** @return array<class-string, list<object>> by kind, the newest first */
    public function of(Practitioner $practitioner): array
    {
        return $this->em
            ->createNativeQuery($this->cache->get('about_person', $this->question(...)), new ResultSetMapping())
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setParameter('studio', $practitioner->teacher->studio()->id, 'uuid')
            ->getResult(WrittenHydrator::MODE);
    }

    /**
     * The same of what is in no database.
     *
     * @param array<class-string, list<object>> $written by kind
     *
     * @return array<class-string, list<object>> by kind, the newest first
     */
    public static function newestFirst(array $written): array
    {
        foreach ($written as &$records) {
            usort(
                $records,
                static fn (object $a, object $b): int => [
                    $b->practisedOn ?? null,
                    $b->at ?? null,
                    isset($b->id) ? (string) $b->id : '',
                ] <=> [$a->practisedOn ?? null, $a->at ?? null, isset($a->id) ? (string) $a->id : ''],
            );
        }

        return array_intersect_key($written, array_flip(self::KINDS));
    }

    /**
     * The question, which is the same for everybody: what tables and columns there are need not be looked up each time.
     */
    private function question(): string
    {
        $each = [];
        foreach (self::KINDS as $kind => $class) {
            // A check is of the day on which was practised.
            $day = RungCheck::class === $class ? 'practised_on' : 'NULL';
            $each[] =
                "(SELECT $kind AS kind, $day AS day, at, id, ".
                $this->columns($class).
                ' AS written FROM '.
                $this->em->getClassMetadata($class)->getTableName().
                match ($class) {
                    Test::class => ' WHERE practitioner_id = :p AND hurts = 1',
                    PractitionerNote::class => " WHERE practitioner_id = :p AND kind IN ('words', 'teacher', 'class', 'after')",
                    SeenByTeacher::class => ' WHERE practitioner_id = :p ORDER BY at DESC, id DESC LIMIT 1',
                    PracticePlan::class => ' WHERE practitioner_id = :p ORDER BY at DESC, id DESC LIMIT 1',
                    ToolSettings::class => ' WHERE studio_id = :studio ORDER BY at DESC, id DESC LIMIT 1',
                    default => ' WHERE practitioner_id = :p',
                }.
                ')';
        }

        return implode(' UNION ALL ', $each).' ORDER BY kind, day DESC, at DESC, id DESC';
    }

    /** @param class-string $class */
    private function columns(string $class): string
    {
        $of = $this->em->getClassMetadata($class);
        $columns = [];
        foreach ($of->fieldMappings as $field) {
            $columns[$field->columnName] = match ($field->type) {
                'uuid' => "HEX($field->columnName)",
                // As the text that it is: what is JSON already would not be quoted.
                'json' => "CONCAT($field->columnName, '')",
                default => "`$field->columnName`",
            };
        }
        foreach ($of->associationMappings as $one) {
            if ($one->isToOneOwningSide()) {
                $columns[$one->joinColumns[0]->name] = "HEX({$one->joinColumns[0]->name})";
            }
        }

        return 'JSON_OBJECT('.
            implode(
                ', ',
                array_map(
                    static fn (string $name, string $value): string => "'$name', $value",
                    array_keys($columns),
                    $columns,
                ),
            ).
            ')';
    }
}
