<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\CarriedIds;
use LucidAscent\App\Repository\TestRecords;
use Psr\Clock\ClockInterface;

/** A person's whole record as one document (docs/formats has its schema). */
final readonly class RecordDocument
{
    private const MOMENT = 'Y-m-d\TH:i:s.u\Z';

    public function __construct(
        private EntityManagerInterface $em,
        private CarriedIds $carried,
        private TestRecords $tests,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Practitioner $practitioner): array
    {
        $utc = static fn (\DateTimeImmutable $moment): string => $moment
            ->setTimezone(new \DateTimeZone('UTC'))
            ->format(self::MOMENT);
        $teacher = $practitioner->teacher;
        $lists = $people = [];
        $carried = $this->carried->of($practitioner);
        foreach (RecordKinds::CLASSES as $name => $class) {
            $records = $this->records($class, $practitioner);
            foreach ($records as $record) {
                if (isset($record->by) && $record->by instanceof Teacher) {
                    $id = $carried[(string) $record->by->id] ?? (string) $record->by->id;
                    $people[$id] = ['id' => $id, 'name' => $record->by->name];
                }
            }
            $lists[$name] = array_map(RecordCodec::write(...), $records);
        }
        ksort($people);
        $written = RenamedIds::in(
            [
                'person' => [
                    'id' => (string) $practitioner->id,
                    'name' => $practitioner->name,
                    'consentedAt' => $utc($practitioner->consentedAt),
                    'createdAt' => $utc($practitioner->createdAt),
                ],
                ...$lists,
            ],
            $carried,
        );
        foreach (array_keys(RecordKinds::CLASSES) as $name) {
            usort(
                $written[$name],
                static fn (array $a, array $b): int => [$a['at'], $a['id']] <=> [$b['at'], $b['id']],
            );
        }

        return [
            'format' => RecordKinds::FORMAT,
            'version' => RecordKinds::VERSION,
            'exportedAt' => $utc($this->clock->now()),
            'heldBy' => [
                'id' => (string) $teacher->id,
                'name' => $teacher->name,
                'timeZone' => $teacher->timeZone(),
                'toolErrors' => $this->tests->toolSettings($teacher)?->sd,
            ],
            'person' => $written['person'],
            'writtenBy' => array_values($people),
            ...array_diff_key($written, ['person' => 0]),
        ];
    }

    /** @param array<string, mixed> $record */
    public static function json(array $record): string
    {
        return json_encode(
            $record,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @param class-string $class
     *
     * @return list<object>
     */
    private function records(string $class, Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                match ($class) {
                    Test::class => "SELECT o, r, b FROM $class o JOIN o.trials r JOIN o.by b WHERE o.practitioner = :p ORDER BY r.ordinal",
                    AssessmentEnd::class => "SELECT o FROM $class o WHERE EXISTS (SELECT 1 FROM ".
                        Assessment::class.
                        ' a WHERE a.id = o.id AND a.practitioner = :p)',
                    default => property_exists($class, 'by')
                        ? "SELECT o, b FROM $class o JOIN o.by b WHERE o.practitioner = :p"
                        : "SELECT o FROM $class o WHERE o.practitioner = :p",
                },
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }
}
