<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Reading\ProgressCharts;

/** Months of readings on a page. */
final class ProgressPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($teacher);
    }

    public function testNothingReadIsSaid(): void
    {
        $this->client->request('GET', "$this->home/progress");
        self::assertSelectorTextContains('main', 'Nothing was read yet.');
        $this->client->request('GET', $this->home);
        self::assertSelectorExists('a[href$="/progress"]');
    }

    public function testEachReadingIsAPointAndARowOfTheTable(): void
    {
        $this->tested($this->practitioner);
        $this->tested($this->practitioner, 12.0);
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertResponseIsSuccessful();
        $charts = self::getContainer()->get(ProgressCharts::class)->of($this->practitioner, self::getContainer()->get(PersonOn::class)->now($this->practitioner));
        self::assertNotSame([], $charts);
        self::assertSame(count($charts), $page->filter('section.progress')->count());
        $points = array_sum(array_map(static fn (array $chart): int => array_sum(array_column($chart['sides'], 'many')), $charts));
        self::assertSame($points, $page->filter('.progress-chart circle, .progress-chart .bound')->count());
        self::assertSame($points, $page->filter('section.progress tbody tr')->count());
        foreach ($charts as $chart) {
            foreach ($chart['sides'] as $side) {
                foreach ($side['points'] as $point) {
                    self::assertGreaterThanOrEqual(0, $point['high']);
                    self::assertLessThanOrEqual($side['height'], $point['low'], 'Everything lies within the picture.');
                    self::assertLessThanOrEqual($side['width'], $point['x']);
                }
            }
        }
    }

    public function testABodyComesFirst(): void
    {
        $other = $this->practitioner($this->practitioner->teacher, measured: false);
        $this->client->request('GET', "/practitioners/$other->id/progress");
        self::assertResponseRedirects("/practitioners/$other->id/body");
    }
}
