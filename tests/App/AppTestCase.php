<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\Studio;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\DomCrawler\Field\ChoiceFormField;
use Symfony\Component\DomCrawler\Form;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** Against the real database, with the rights that the application has; every test is rolled back. */
abstract class AppTestCase extends WebTestCase
{
    protected const PASSWORD = 'a long enough password';

    protected KernelBrowser $client;

    protected function setUp(): void
    {
        $this->client = self::createClient();
        $this->client->disableReboot();
    }

    protected function em(): EntityManagerInterface
    {
        return self::getContainer()->get(EntityManagerInterface::class);
    }

    /** In a studio of their own, unless one is given. */
    protected function teacher(
        string $email = 'teacher@studio.example',
        ?Studio $studio = null,
        Role $role = Role::Owner,
        string $name = 'A Teacher',
    ): Teacher {
        $teacher = new Teacher(Uuid::v7(), $email, $name, new \DateTimeImmutable(), $studio, $role);
        $teacher->changePassword(self::getContainer()->get(UserPasswordHasherInterface::class)
            ->hashPassword($teacher, self::PASSWORD));
        $this->em()->persist($teacher);
        $this->em()->flush();

        return $teacher;
    }

    /** In a session that begins now: one of twelve hours ago has ended. */
    protected function loginAnew(Teacher $teacher): void
    {
        $this->client->getCookieJar()->expire('MOCKSESSID');
        $this->client->loginUser($teacher);
    }

    protected function practitioner(Teacher $teacher, bool $measured = true, string $name = 'A Person'): Practitioner
    {
        $now = new \DateTimeImmutable('-10 days');
        $practitioner = new Practitioner(Uuid::v7(), $teacher, $name, $now, $now);
        $this->em()->persist($practitioner);
        if ($measured) {
            $this->em()->persist(new BodyMeasures(Uuid::v7(), $practitioner, $teacher, $now, 168.0,
                ['thigh.left' => 41.2, 'shin.left' => 41.3], []));
        }
        $this->em()->flush();

        return $practitioner;
    }

    /** As if the practitioner had agreed to it yesterday. */
    protected function shared(Practitioner $of, Teacher $with, ?\DateTimeImmutable $until = null): Sharing
    {
        $now = new \DateTimeImmutable();
        $sharing = new Sharing(Uuid::v7(), $of, $with, $now->modify('-1 day'), $until, $now, $of->teacher);
        $this->em()->persist($sharing);
        $this->em()->flush();

        return $sharing;
    }

    protected function tested(
        Practitioner $practitioner,
        float $knee = 14.0,
        float $heels = 20.0,
        ?Pain $pain = null,
    ): Uuid {
        $entry = Uuid::v7();
        $pain ??= Pain::none();
        foreach (Side::cases() as $side) {
            $test = new Test(Uuid::v7(), $entry, $practitioner, $practitioner->teacher, Test::SOLES_TOGETHER, $side,
                new \DateTimeImmutable('-5 days'), 'tape', 0.0, $pain->level, $pain->place, $pain->kind, [],
                Rules::VERSION);
            $test->add(['kneeHeight' => $knee, 'heelDistance' => $heels]);
            $test->add(['kneeHeight' => $knee, 'heelDistance' => $heels]);
            $this->em()->persist($test);
        }
        $this->em()->flush();

        return $entry;
    }

    /**
     * An assessment that ended, with what it came to.
     *
     * @param array<string, array<string, string>> $states by pose and side
     * @param array<string, mixed>|null $progress
     */
    protected function ended(
        Practitioner $of,
        \DateTimeImmutable $at,
        array $states,
        ?array $progress = null,
        string $rules = '0',
    ): void {
        $assessment = new Assessment(Uuid::v7(), $of, $of->teacher, $at, false, [], [], [], '', false, 0,
            PainPlace::None, PainKind::Ache);
        $this->em()->persist($assessment);
        $this->em()->persist(new AssessmentOutcome($assessment->id, $of, $at, $rules, $states, $progress));
    }

    /** @return list<ChoiceFormField> the boxes of one name, to be ticked */
    protected static function boxes(Form $form, string $name): array
    {
        $boxes = $form[$name];
        foreach (is_array($boxes) ? $boxes : [$boxes] as $box) {
            self::assertInstanceOf(ChoiceFormField::class, $box);
            $all[] = $box;
        }

        return $all ?? [];
    }

    protected function howMany(string $class): int
    {
        return $this->em()->getRepository($class)->count();
    }
}
