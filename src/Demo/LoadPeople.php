<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\HomeTestsAllowed;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordOutcome;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calibration\Trials;
use LucidAscent\Core\Calibration\TrueBody;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\Rules;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Made-up people with the records that they would have.
 *
 * @phpstan-import-type Person from MadeUpStudio
 * @phpstan-import-type Hurt from MadeUpStudio
 */
final readonly class LoadPeople
{
    use CountsBack;

    /** The same people every time. */
    private const SEED = 41;

    /** How long an assessment takes. */
    private const LASTS = '+40 minutes';
    /** What is taken in an assessment: what is set, what is read, and the ability that it follows from. */
    private const TESTS = [
        'figure-four-lying' => [['ankleHeight' => 38.0], 'kneeHeight', 'rotation'],
        'soles-together' => [[], 'kneeHeight', 'rotation'],
        'shins-stacked' => [['ankleHeight' => 10.5], 'kneeHeight', 'rotation'],
        'frog' => [[], 'span', 'abduction'],
        'knee-hug' => [[], 'angle', 'flexion'],
        'leg-raise-strap' => [[], 'angle', 'hamstrings'],
        'inward-turn' => [[], 'angle', 'internal-rotation'],
        'heel-to-seat' => [[], 'gap', 'quadriceps'],
        'heel-to-seat-hip-bent' => [[], 'gap', 'kneeFlexion'],
        'thigh-hang' => [[], 'angle', 'extension'],
        'seated-rotation' => [[], 'angle', 'spine-rotation'],
        'tree-balance' => [[], 'seconds', 'balance'],
    ];

    private const AT_HOME = 'soles-together';
    /** What is taken again between the first time and the last. */
    private const AGAIN = ['figure-four-lying', 'soles-together', 'shins-stacked', 'leg-raise-strap'];
    /** What practice changes more, and what hardly, as shares of what it changes most. */
    private const GAINS = ['rotation' => 1.0, 'hamstrings' => 1.0, 'flexion' => 0.5, 'abduction' => 0.4];
    private const HARDLY_GAINS = 0.15;

    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        private Catalogue $catalogue,
        private ReadPerson $person,
        private RecordOutcome $keep,
        private LoadPractice $practice,
        private LoadPictures $pictures,
    ) {
    }

    /**
     * @param list<Person> $people
     *
     * @return list<Practitioner>
     */
    public function of(Teacher $teacher, array $people): array
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED));
        $loaded = array_map(fn (array $person): Practitioner => $this->load($teacher, $person, $random), $people);
        $this->em->flush();
        // What is read of them is read out of the database, as it would be.
        $this->em->clear();
        foreach (
            $this->em
                ->getRepository(Assessment::class)
                ->findBy(
                    [
                        'practitioner' => array_map(
                            static fn (Practitioner $one): string => $one->id->toBinary(),
                            $loaded,
                        ),
                    ],
                    ['at' => 'ASC'],
                ) as $assessment
        ) {
            $end = $assessment->at->modify(self::LASTS);
            $this->em->persist($this->keep->of($assessment, $this->person->at($assessment->practitioner, $end), $end));
        }
        $this->em->flush();

        foreach ($loaded as $i => $one) {
            $practitioner = $loaded[$i] = $this->em->find(Practitioner::class, $one->id) ?? $one;
            $this->practice->of($practitioner, $people[$i]['practice']);
        }

        return $loaded;
    }

    /** @param Person $person */
    private function load(Teacher $teacher, array $person, \Random\Randomizer $random): Practitioner
    {
        $first = $this->ago($person['assessed'][0][0])->modify('-1 hour');
        $practitioner = new Practitioner(Uuid::v7(), $teacher, $person['name'], $first, $first);
        $this->em->persist($practitioner);
        $measures = new BodyMeasures(
            Uuid::v7(),
            $practitioner,
            $teacher,
            $first,
            $person['stature'],
            $person['lengths'],
            [],
        );
        $this->em->persist($measures);
        foreach ($person['assessed'] as $i => [$days, $less]) {
            $abilities = array_map(
                static fn (array $side): array => array_combine(
                    array_keys($side),
                    array_map(
                        static fn (string $ability, float $now): float => $now
                            - $less * (self::GAINS[$ability] ?? self::HARDLY_GAINS),
                        array_keys($side),
                        $side,
                    ),
                ),
                ['left' => $person['left'], 'right' => $person['right']],
            );
            $hurt = null !== $person['hurt'] && $person['hurt'][0] === $days ? $person['hurt'] : null;
            $this->assess(
                $practitioner,
                new TrueBody($measures->proportions(), $abilities),
                $random,
                $person['wanted'],
                $person['conditions'],
                $person['note'],
                $days,
                $hurt,
                in_array($i, [0, count($person['assessed']) - 1], true) ? array_keys(self::TESTS) : self::AGAIN,
                in_array($days, $person['practice']['pictures'], true),
            );
        }
        $now = new TrueBody($measures->proportions(), ['left' => $person['left'], 'right' => $person['right']]);
        $this->home($practitioner, $now, $person['practice']['home'], $random);
        foreach ($person['practised'] as [$ladder, $side, $rung, $days]) {
            foreach ($days as $ago) {
                $then = $this->ago($ago);
                $this->em->persist(
                    new RungCheck(
                        Uuid::v7(),
                        $practitioner,
                        $teacher,
                        $ladder,
                        Side::from($side),
                        $rung,
                        $then,
                        $then,
                        null,
                        true,
                        true,
                        0,
                        PainPlace::None,
                        PainKind::Ache,
                        [],
                        false,
                        '',
                    ),
                );
            }
        }
        foreach ($person['walked'] as [$ladder, $side, $rung, $days, $isClean]) {
            $this->em->persist(
                new SeenRung(
                    Uuid::v7(),
                    $practitioner,
                    $teacher,
                    $this->ago($days)->modify('+50 minutes'),
                    $ladder,
                    $rung,
                    Side::from($side),
                    $isClean,
                    [],
                    false,
                    $isClean ? '' : 'The pelvis lifts.',
                    0,
                    PainPlace::None,
                    PainKind::Ache,
                ),
            );
        }

        return $practitioner;
    }

    /**
     * @param list<string> $wanted
     * @param list<string> $conditions
     * @param Hurt|null $hurt
     * @param list<string> $tests in their order
     */
    private function assess(
        Practitioner $practitioner,
        TrueBody $body,
        \Random\Randomizer $random,
        array $wanted,
        array $conditions,
        string $note,
        int $days,
        ?array $hurt,
        array $tests,
        bool $isPictured,
    ): void {
        $then = $this->ago($days);
        $assessment = new Assessment(
            Uuid::v7(),
            $practitioner,
            $practitioner->teacher,
            $then,
            false,
            $wanted,
            $tests,
            $conditions,
            $note,
            true,
            0,
            PainPlace::None,
            PainKind::Ache,
        );
        $this->em->persist($assessment);
        $this->em->persist(new AssessmentEnd($assessment->id, $then->modify(self::LASTS)));
        foreach ($tests as $i => $kind) {
            [$fixed, $free, $shows] = self::TESTS[$kind];
            $entry = Uuid::v7();
            $definition = $this->catalogue->tests()[$kind];
            foreach (Side::cases() as $side) {
                $numbers = $body->numbers($definition, $side, $fixed, $free, Ability::from($shows));
                if (null === $numbers) {
                    // Nobody takes a test that this body does not get into.
                    continue;
                }
                if ($isPictured && 'soles-together' === $kind && Side::Left === $side) {
                    $this->pictures->of($practitioner, $body->proportions, $numbers, $then);
                }
                $pain =
                    null !== $hurt && 'soles-together' === $kind && $hurt[1] === $side->value
                        ? $hurt
                        : [0, '', 0, 'none', 'ache'];
                $tool = match ($definition->measured[$free] ?? 'degrees') {
                    'degrees' => 'inclinometer',
                    'seconds' => 'stopwatch',
                    default => 'tape',
                };
                $test = new Test(
                    Uuid::v7(),
                    $entry,
                    $practitioner,
                    $practitioner->teacher,
                    $kind,
                    $side,
                    $then->modify('+'.(3 * $i + 2).' minutes'),
                    $tool,
                    0.0,
                    $pain[2],
                    PainPlace::from($pain[3]),
                    PainKind::from($pain[4]),
                    [],
                    Rules::VERSION,
                    null,
                    $assessment,
                );
                // Made-up people are measured by somebody who errs in single trials alone, so that no two readings
                // contradict each other.
                foreach (
                    Trials::of(
                        $numbers,
                        [$free => $definition->measured[$free] ?? 'degrees'],
                        [],
                        'seconds' === $free ? 3 : 2,
                        $random,
                    ) as $trial
                ) {
                    $test->add(
                        $trial,
                        array_map(
                            static fn (float $value): string => $value.
                                (isset($trial['angle']) ? '°' : (isset($trial['seconds']) ? ' s' : ' cm')),
                            $trial,
                        ),
                    );
                }
                $this->em->persist($test);
            }
        }
    }

    /**
     * Measurements from home, which the teacher has allowed.
     *
     * @param list<int> $days ago
     */
    private function home(Practitioner $practitioner, TrueBody $body, array $days, \Random\Randomizer $random): void
    {
        if ([] === $days) {
            return;
        }
        $this->em->persist(
            new HomeTestsAllowed(
                Uuid::v7(),
                $practitioner,
                $practitioner->teacher,
                $this->ago($days[0] + 2),
                [self::AT_HOME => true],
            ),
        );
        $definition = $this->catalogue->tests()[self::AT_HOME];
        foreach ($days as $ago) {
            $entry = Uuid::v7();
            foreach (Side::cases() as $side) {
                $numbers = $body->numbers($definition, $side, [], 'kneeHeight', Ability::ExternalRotation) ?? [];
                $test = new Test(
                    Uuid::v7(),
                    $entry,
                    $practitioner,
                    $practitioner->teacher,
                    self::AT_HOME,
                    $side,
                    $this->ago($ago),
                    'tape',
                    0.0,
                    0,
                    PainPlace::None,
                    PainKind::Ache,
                    [],
                    Rules::VERSION,
                );
                foreach (Trials::of($numbers, ['kneeHeight' => 'cm'], [], 2, $random) as $trial) {
                    $test->add($trial, array_map(static fn (float $cm): string => "$cm cm", $trial));
                }
                $this->em->persist($test);
                $this->em->persist(
                    new FromPractitioner($test->id, $practitioner, $test->at, FromPractitioner::TEST),
                );
            }
        }
    }
}
