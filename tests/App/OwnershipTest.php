<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Exception as DatabaseException;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Uuid;

final class OwnershipTest extends AppTestCase
{
    #[DataProvider('pages')]
    public function testAnotherTeachersPractitionerIsNotThere(string $page): void
    {
        $owner = $this->teacher('owner@studio.example');
        $practitioner = $this->practitioner($owner);
        $entry = $this->tested($practitioner);
        $check = new RungCheck(Uuid::v7(), $practitioner, $owner, 'half-lotus', Side::Left, 'hip-circle',
            new \DateTimeImmutable(), new \DateTimeImmutable(), null, true, true, 0, PainPlace::None, PainKind::Ache,
            [], false, '');
        $this->em()->persist($check);
        $this->em()->flush();
        $page = strtr($page, ['{id}' => $practitioner->id, '{entry}' => $entry, '{check}' => $check->id]);

        $this->client->loginUser($owner);
        $this->client->request('GET', $page);
        self::assertResponseStatusCodeSame(str_contains($page, 'preview') || str_contains($page, 'lab/') ? 405 : 200);

        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (['GET', 'POST'] as $method) {
            $this->client->request($method, $page);
            self::assertContains($this->client->getResponse()->getStatusCode(), [404, 405], "$method $page");
        }
    }

    public static function pages(): iterable
    {
        foreach ([
            '/practitioners/{id}',
            '/practitioners/{id}/body',
            '/practitioners/{id}/tests/soles-together',
            '/practitioners/{id}/tests/soles-together/preview',
            '/practitioners/{id}/tests/soles-together/{entry}/correct',
            '/practitioners/{id}/ladder/pigeon',
            '/practitioners/{id}/ladder',
            '/practitioners/{id}/ladder/half-lotus/check/left',
            '/practitioners/{id}/checks/{check}',
            '/practitioners/{id}/clearance',
            '/practitioners/{id}/lab',
            '/practitioners/{id}/lab/left',
            '/practitioners/{id}/lab/left/keep',
        ] as $page) {
            yield $page => [$page];
        }
    }

    public function testWhatIsNotAnIdentityIsNotThere(): void
    {
        $this->client->loginUser($this->teacher());
        $this->client->request('GET', '/practitioners/1%27%20OR%201');
        self::assertResponseStatusCodeSame(404);
    }

    public function testARecordCannotBeChangedOrRemoved(): void
    {
        $this->tested($this->practitioner($this->teacher()));
        foreach (['UPDATE test SET pain_level = 0', 'DELETE FROM trial', 'UPDATE decision SET why = \'\'',
            'UPDATE teacher SET email = \'\''] as $statement) {
            try {
                $this->em()->getConnection()->executeStatement($statement);
                self::fail("The application may do this: $statement");
            } catch (DatabaseException $e) {
                self::assertStringContainsString('denied', $e->getMessage());
            }
        }
    }

    public function testWhatIsTypedIsEscaped(): void
    {
        $teacher = $this->teacher();
        $this->client->loginUser($teacher);
        $this->client->request('GET', '/practitioners/new');
        $this->client->submitForm('Continue to the body', ['practitioner_form[name]' => '<script>alert(1)</script>',
            'practitioner_form[consent]' => true]);
        $this->client->request('GET', '/');
        $content = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('&lt;script&gt;alert', $content);
        self::assertStringNotContainsString('<script>alert', $content);
    }
}
