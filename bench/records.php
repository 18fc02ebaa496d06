<?php

declare(strict_types=1);

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Kernel;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Testing\TakenTest;
use Symfony\Component\Uid\Uuid;

// Lays records into the bench's own database, once: of one person five readings, of one 500, and 50,000 of others.
require dirname(__DIR__).'/vendor/autoload.php';

$kernel = new Kernel('prod', false);
$kernel->boot();
/** @var EntityManagerInterface $em */
$em = $kernel->getContainer()->get('doctrine')->getManager();
$connection = $em->getConnection();
$teacher =
    $em->getRepository(Teacher::class)->findOneBy(['email' => 'demo@studio.example']) ??
    exit("The demo data is not there.\n");
if (0 < (int) $connection->fetchOne("SELECT COUNT(*) FROM practitioner WHERE name LIKE 'Zz Bench%'")) {
    exit(0);
}

/** Of each visit of some ten days both sides of a test: some exact, some at least, each with two trials. */
$take = static function (Connection $connection, Practitioner $person, int $many): void {
    $kinds = [
        [
            'soles-together',
            static fn (int $i): array => ['kneeHeight' => 16.0 - ($i % 7) / 2, 'heelDistance' => 20.0 + ($i % 5)],
        ],
        [
            'shins-stacked',
            static fn (int $i): array => ['kneeHeight' => 15.0 - ($i % 9) / 2, 'ankleHeight' => 10.0],
        ],
        ['frog', static fn (int $i): array => ['span' => 70.0 + ($i % 8)]],
    ];
    $tests = $trials = [];
    $flush = static function () use ($connection, &$tests, &$trials): void {
        foreach (
            [
                'test (id, entry_id, practitioner_id, by_id, kind, side, at, tool, seat, pain_level, pain_place, pain_kind, '
            .'compensations, rules, note, is_clean, hurts)' => $tests,
                'trial (test_id, ordinal, readings, entered, errors)' => $trials,
            ] as $into => $rows
        ) {
            // @phpstan-ignore notIdentical.alwaysFalse (filled by reference meanwhile)
            if ([] !== $rows) {
                $connection->executeStatement(
                    "INSERT INTO $into VALUES ".
                        implode(
                            ',',
                            array_fill(
                                0,
                                count($rows),
                                '('.implode(',', array_fill(0, count($rows[0]), '?')).')',
                            ),
                        ),
                    array_merge(...$rows),
                );
            }
        }
        $tests = $trials = [];
    };
    for ($i = 0; $i < $many; ++$i) {
        [$kind, $readings] = $kinds[intdiv($i, 2) % 3];
        $entry = 0 === $i % 2 ? Uuid::v7()->toBinary() : $entry ?? Uuid::v7()->toBinary();
        $id = Uuid::v7()->toBinary();
        $tests[] = [
            $id,
            $entry,
            $person->id->toBinary(),
            $person->teacher->id->toBinary(),
            $kind,
            0 === $i % 2 ? 'left' : 'right',
            (new DateTimeImmutable(sprintf('-%d days', 1 + 3 * intdiv($i, 2))))->format('Y-m-d H:i:s.u'),
            'tape',
            0.0,
            0,
            'none',
            'ache',
            '[]',
            Rules::VERSION,
            '',
            (int) TakenTest::provesSomething([], Pain::none()),
            (int) Pain::none()->isFelt(),
        ];
        foreach ([0, 1] as $ordinal) {
            $trials[] = [$id, $ordinal, json_encode($readings(intdiv($i, 2))), '{}', '{}'];
        }
        if (count($tests) >= 500) {
            $flush();
        }
    }
    $flush();
};
$connection->beginTransaction();
$began = new DateTimeImmutable('-6 years');
foreach (['few' => 5, 'many' => 500] + array_fill(1, 100, 500) as $name => $many) {
    $person = new Practitioner(Uuid::v7(), $teacher, "Zz Bench $name", $began, $began);
    $em->persist($person);
    $em->persist(new BodyMeasures(Uuid::v7(), $person, $teacher, $began, 168.0, ['thigh.left' => 41.2], []));
    $em->flush();
    $take($connection, $person, $many);
}
$connection->commit();
