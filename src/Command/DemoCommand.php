<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\Rules;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** A made-up studio with three made-up people: open hips, one side short in rotation, a knee that hurts. */
#[AsCommand('ascent:demo', 'Loads the demo data into an empty database; its password comes from DEMO_PASSWORD.')]
final class DemoCommand extends Command
{
    public const EMAIL = 'demo@studio.example';

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (0 < $this->em->getRepository(Teacher::class)->count()) {
            $output->writeln('There are accounts already: nothing was loaded.');

            return Command::SUCCESS;
        }
        $password = (string) ($_SERVER['DEMO_PASSWORD'] ?? '');
        if ('' === $password) {
            $output->writeln('DEMO_PASSWORD is empty.');

            return Command::FAILURE;
        }
        $teacher = new Teacher(Uuid::v7(), self::EMAIL, 'Ilka Brandvold', $this->clock->now()->modify('-60 days'));
        $teacher->changePassword($this->hasher->hashPassword($teacher, $password));
        $this->em->persist($teacher);

        $open = $this->person($teacher, 'Maren Tolvik', 168.0, ['thigh.left' => 41.0, 'thigh.right' => 41.2, 'shin.left' => 40.6, 'shin.right' => 40.8, 'hipSpacing' => 17.2]);
        $this->test($open, 0.0, [[7.5, 11.0, 8.0], [8.0, 11.5, 8.0]], Pain::none(), Pain::none());
        foreach ([9, 7, 4] as $days) {
            $this->em->persist($this->practice($open, Side::Left, 'lying-half-lotus', $days));
        }

        $uneven = $this->person($teacher, 'Jonas Erlesand', 181.0, ['thigh.left' => 44.5, 'thigh.right' => 44.5, 'shin.left' => 45.6, 'shin.right' => 45.4]);
        $this->test($uneven, 0.0, [[9.0, 18.0, 21.5], [9.5, 18.5, 23.0], [9.0, 18.0, 22.0]], Pain::none(), new Pain(1, PainPlace::InnerThigh));

        $this->assessment($uneven, ['half-lotus', 'pigeon', 'soles-together'], [
            'leg-raise' => [[['heelHeight' => 74.0], ['heelHeight' => 75.0]], [['heelHeight' => 71.0], ['heelHeight' => 71.5]]],
            'frog' => [[['span' => 88.0], ['span' => 89.0]], [['span' => 88.0], ['span' => 89.0]]],
            'shins-stacked' => [
                [['kneeHeight' => 15.0, 'ankleHeight' => 10.5], ['kneeHeight' => 15.5, 'ankleHeight' => 10.5]],
                [['kneeHeight' => 29.0, 'ankleHeight' => 11.0], ['kneeHeight' => 28.0, 'ankleHeight' => 11.0]],
            ],
            'inward-turn' => [[['angle' => 31.0], ['angle' => 33.0]], [['angle' => 38.0], ['angle' => 37.0]]],
            'heel-to-seat' => [[['gap' => 21.0], ['gap' => 21.5]], [['gap' => 22.5], ['gap' => 22.0]]],
            'thigh-hang' => [[['angle' => 14.0], ['angle' => 15.0]], [['angle' => 12.0], ['angle' => 13.0]]],
            'tree-balance' => [[['seconds' => 18.0], ['seconds' => 26.0], ['seconds' => 22.0]], [['seconds' => 15.0], ['seconds' => 21.0], ['seconds' => 19.0]]],
        ]);

        $sore = $this->person($teacher, 'Petra Quillmann', 163.0, []);
        $this->test($sore, 0.0, [[16.0, 24.0, 15.0], [16.5, 24.0, 15.5]], Pain::none(), new Pain(3, PainPlace::Knee, PainKind::Ache));

        $this->em->flush();
        $output->writeln('The demo data is loaded.');

        return Command::SUCCESS;
    }

    /** @param array<string, float> $lengths */
    private function person(Teacher $teacher, string $name, float $stature, array $lengths): Practitioner
    {
        $then = $this->clock->now()->modify('-20 days');
        $practitioner = new Practitioner(Uuid::v7(), $teacher, $name, $then, $then);
        $this->em->persist($practitioner);
        $this->em->persist(new BodyMeasures(Uuid::v7(), $practitioner, $teacher, $then, $stature, $lengths, []));

        return $practitioner;
    }

    /** @param list<array{float, float, float}> $trials left knee, heels, right knee */
    private function test(Practitioner $practitioner, float $seat, array $trials, Pain $left, Pain $right): void
    {
        $entry = Uuid::v7();
        foreach ([[Side::Left, $left, 0], [Side::Right, $right, 2]] as [$side, $pain, $column]) {
            $test = new Test(
                Uuid::v7(),
                $entry,
                $practitioner,
                $practitioner->teacher,
                Test::SOLES_TOGETHER,
                $side,
                $this->clock->now()->modify('-12 days'),
                'tape',
                $seat,
                $pain->level,
                $pain->place,
                $pain->kind,
                [],
                Rules::VERSION,
            );
            foreach ($trials as $trial) {
                $test->add(['kneeHeight' => $trial[$column], 'heelDistance' => $trial[1]]);
            }
            $this->em->persist($test);
        }
    }

    /**
     * @param list<string> $wanted
     * @param array<string, array{list<array<string, float>>, list<array<string, float>>}> $taken the trials of both sides, by test
     */
    private function assessment(Practitioner $practitioner, array $wanted, array $taken): void
    {
        $then = $this->clock->now()->modify('-11 days');
        $assessment = new Assessment(Uuid::v7(), $practitioner, $practitioner->teacher, $then, false, $wanted, array_keys($taken), [], 'Cycles to work; the right hip feels shorter after long rides.', true, 0, PainPlace::None, PainKind::Ache);
        $this->em->persist($assessment);
        $this->em->persist(new AssessmentEnd($assessment->id, $then->modify('+28 minutes')));
        foreach (array_keys($taken) as $i => $kind) {
            $entry = Uuid::v7();
            foreach (Side::cases() as $column => $side) {
                $trials = $taken[$kind][$column];
                $tool = isset($trials[0]['angle']) ? 'inclinometer' : 'tape';
                $test = new Test(Uuid::v7(), $entry, $practitioner, $practitioner->teacher, $kind, $side, $then->modify('+'.(3 * $i + 2).' minutes'), $tool, 0.0, 0, PainPlace::None, PainKind::Ache, [], Rules::VERSION, null, $assessment);
                foreach ($trials as $trial) {
                    $test->add($trial, array_map(static fn (float $value): string => $value.(isset($trial['angle']) ? '°' : (isset($trial['seconds']) ? ' s' : ' cm')), $trial));
                }
                $this->em->persist($test);
            }
        }
    }

    private function practice(Practitioner $practitioner, Side $side, string $rung, int $daysAgo): RungCheck
    {
        $then = $this->clock->now()->modify("-$daysAgo days");

        return new RungCheck(Uuid::v7(), $practitioner, $practitioner->teacher, 'half-lotus', $side, $rung, $then, $then, null, true, true, 0, PainPlace::None, PainKind::Ache, [], false, '');
    }
}
