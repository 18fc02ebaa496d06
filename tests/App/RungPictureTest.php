<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\Record\RecordSchema;
use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Picture\CameraView;
use LucidAscent\Core\Picture\Landmark;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Uid\Uuid;

/** A picture of a rung, marked beside its figure. */
final class RungPictureTest extends AppTestCase
{
    private Practitioner $person;
    private string $page;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->person = $this->practitioner($teacher);
        $this->page = "/practitioners/{$this->person->id}/ladder/pigeon/parallel/picture/left";
        $this->client->loginUser($teacher);
    }

    public function testTheLinesOfARungAreReadBesideThoseOfItsDrawing(): void
    {
        $token = $this->token();
        self::assertSelectorTextContains('p[data-view="front"]', 'hips, ');
        self::assertSelectorTextNotContains('p[data-view="side"]', 'hips');
        $lines = $this->read($token, ['points' => $this->points()])['lines'] ?? [];
        self::assertMatchesRegularExpression('/^Hips: \d+° ± \d+°, in the drawing \d+°\. As drawn\.$/',
            $lines[0] ?? '');
        self::assertStringContainsString('Shin:', implode(' ', $lines));
        $askew = $this->points();
        $askew['other-hip'][1] += 0.12;
        $lines = $this->read($token, ['points' => $askew])['lines'] ?? [];
        self::assertStringContainsString('Not as drawn', $lines[0] ?? '');
        foreach ([['points' => array_slice($this->points(), 0, 4)], ['points' => 'no points'], ['view' => 'below'],
            ['points' => ['hip' => [2, 0.5]]], ['points' => ['nose' => [0.5, 0.5]]],
            ['points' => array_map(static fn (int $i): array => [0.1 + 0.02 * $i, 0.1 + 0.04 * $i],
                array_flip(array_keys($this->points())))]] as $sent) {
            self::assertNotEmpty($this->read($token, $sent)['error'] ?? '', (string) json_encode($sent));
            self::assertResponseStatusCodeSame(422);
        }
    }

    public function testAPictureIsKeptWithItsPointsAndShownAgain(): void
    {
        $token = $this->token();
        $keep = function (array $sent, bool $hasFile = true) use ($token): int {
            $this->client->request('POST', "$this->page/keep", $sent + ['view' => 'front',
                'points' => json_encode($this->points())], $hasFile ? ['picture' => self::picture()] : [],
                ['HTTP_X_TOKEN' => $token]);

            return $this->client->getResponse()->getStatusCode();
        };
        self::assertSame([422, 422, 422, 404], [$keep([], false), $keep(['view' => 'below']),
            $keep(['points' => '{"hip": [5, 5]}']), $keep(['of' => (string) Uuid::v7()], false)]);
        self::assertCount(0, $this->em()->getRepository(StoredPicture::class)->findAll());
        self::assertSame(200, $keep([]));
        [$kept] = $this->em()->getRepository(StoredPicture::class)->findAll();
        self::assertSame(['pigeon/parallel', Side::Left, CameraView::Front], [$kept->test, $kept->side, $kept->view]);
        self::assertArrayHasKey('other-hip', $kept->points ?? []);
        $page = $this->client->request('GET', $this->page);
        self::assertCount(1, $page->filter('.two-pictures img'));
        self::assertGreaterThan(5, $page->filter('.two-pictures path')->count());
        self::assertStringContainsString('Hips: ', $page->filter('.two-pictures figcaption')->text());
        $this->client->request('GET', str_replace('/left', '/right', $this->page));
        self::assertCount(0, $this->client->getCrawler()->filter('.two-pictures img'), 'Of the other side it is none.');
        self::assertSame(200, $keep(['of' => (string) $kept->id], false), 'One that is there is marked anew.');
        $entry = (string) Uuid::v4();
        self::assertSame([200, 200], [$keep(['entry' => $entry]), $keep(['entry' => $entry])]);
        self::assertCount(3, $this->em()->getRepository(StoredPicture::class)->findAll(), 'Sent twice, kept once.');
        $other = $this->practitioner($this->em()->find(Teacher::class, $this->person->teacher->id)
            ?? throw new \LogicException(), name: 'Another');
        $this->client->request('POST', str_replace((string) $this->person->id, (string) $other->id,
            "$this->page/keep"), ['entry' => $entry, 'view' => 'front', 'points' => json_encode($this->points())],
            ['picture' => self::picture()], ['HTTP_X_TOKEN' => $token]);
        self::assertResponseStatusCodeSame(404, 'It is somebody else\'s.');
        $this->client->request('GET', "/practitioners/{$this->person->id}/progress");
        self::assertSelectorTextContains('.two-pictures', 'Pigeon, ');
        $shin = $this->client->getCrawler()->filter('[aria-labelledby="height-pigeon-parallel-shin"]');
        self::assertMatchesRegularExpression('/^Pigeon, parallel shin, elbow to the sole, shin ?Left ?\d+(\.\d)?° so far/',
            $shin->text(), 'An angle of each picture, followed over months.');
        // It goes with the record, points and all, as the published schema has it.
        $record = json_decode($this->exported(), true);
        self::assertSame(['left', 'front', $kept->points], [$record['pictures'][0]['side'],
            $record['pictures'][0]['view'], $record['pictures'][0]['points']]);
        self::assertNull(static::getContainer()->get(RecordSchema::class)->fault('pictures', $record['pictures'][0]));
    }

    public function testNobodyElseReadsOrKeepsOne(): void
    {
        $this->client->request('POST', $this->page, ['view' => 'front', 'points' => '{}']);
        self::assertResponseStatusCodeSame(403);
        $this->client->request('GET', str_replace('/parallel/', '/no-such-rung/', $this->page));
        self::assertResponseStatusCodeSame(404);
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (['GET', 'POST'] as $method) {
            $this->client->request($method, $this->page);
            self::assertResponseStatusCodeSame(404);
        }
        $this->client->request('POST', "$this->page/keep");
        self::assertResponseStatusCodeSame(404);
    }

    private function token(): string
    {
        return (string) $this->client->request('GET', $this->page)->filter('[data-rung-picture]')->attr('data-token');
    }

    private function exported(): string
    {
        $this->client->request('GET', "/practitioners/{$this->person->id}/record.json");

        return (string) $this->client->getInternalResponse()->getContent();
    }

    /**
     * @param array<string, mixed> $sent
     *
     * @return array{lines?: list<string>, error?: string}
     */
    private function read(string $token, array $sent): array
    {
        $sent += ['view' => 'front', 'points' => $this->points()];
        $this->client->request('POST', $this->page, ['points' => json_encode($sent['points']), 'width' => 1000,
            'height' => 1000] + $sent, [], ['HTTP_X_TOKEN' => $token]);

        return json_decode((string) $this->client->getResponse()->getContent(), true);
    }

    /** @return array<string, array{float, float}> where the drawing has them, seen from the front */
    private function points(): array
    {
        $body = static::getContainer()->get(ReadPerson::class)->now($this->person)?->person->proportions
            ?? self::fail('No body.');
        $figure = static::getContainer()->get(RungFigures::class)->of('pigeon', 'parallel', Physique::of($body),
            Side::Left)->figure;
        $points = ['levelA' => [0.1, 0.9], 'levelB' => [0.9, 0.9]];
        foreach (Landmark::cases() as $landmark) {
            $at = $landmark->on($figure);
            if (null !== $at) {
                [$x, $y] = CameraView::Front->at($at);
                $points[$landmark->value] = [0.5 + $x / 200.0, 0.8 + $y / 200.0];
            }
        }

        return $points;
    }

    private static function picture(): UploadedFile
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'picture');
        imagejpeg(imagecreatetruecolor(400, 300), $path);

        return new UploadedFile($path, 'picture.jpg', 'image/jpeg', null, true);
    }
}
