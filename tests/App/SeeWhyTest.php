<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Lab\Comparison;
use LucidAscent\App\Lab\SeeWhy;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Capacity;

/** Two figures and a sentence: what is said is what is drawn. */
final class SeeWhyTest extends AppTestCase
{
    public function testEachSentenceIsOfItsTwoFigures(): void
    {
        $shown = $this->shown(84.0);
        self::assertSame(['closed-first', 'knees-share', 'longer-shin', 'second-leg', 'higher-seat',
            'rounded'], array_keys($shown));
        $closed = $shown['closed-first'];
        self::assertEqualsWithDelta($closed->one->figure->point('left-hip')->z,
            $closed->one->figure->point('left-ankle')->z, 1e-6, 'the foot is at the height of the hip');
        self::assertEqualsWithDelta($closed->two->figure->point('left-hip')->z,
            $closed->two->figure->point('left-ankle')->z, 1e-6);
        self::assertLessThan($closed->numbers['one'], $closed->numbers['two']);
        self::assertEqualsWithDelta($closed->numbers['one'] - 84.0, $closed->numbers['twistOne'], 1e-9);
        $share = $shown['knees-share'];
        self::assertEqualsWithDelta($share->numbers['knee'], $share->one->figure->point('left-knee')->z, 1e-6);
        self::assertEqualsWithDelta(14.0, $share->two->figure->point('left-knee')->z, 1e-6);
        self::assertGreaterThan(10.0, $share->numbers['share']);
        $second = $shown['second-leg'];
        self::assertGreaterThan(1.0, $second->numbers['by']);
        self::assertEqualsWithDelta($second->numbers['two'], $second->two->figure->point('left-knee')->z, 0.1);
        $shin = $shown['longer-shin'];
        self::assertEqualsWithDelta($shin->numbers['two'], $shin->two->figure->point('left-knee')->z, 1e-6);
        $length = static fn ($drawn): float => $drawn->figure->point('left-knee')
            ->minus($drawn->figure->point('left-ankle'))->length();
        self::assertEqualsWithDelta(4.0, $length($shin->two) - $length($shin->one), 1e-6);
        self::assertGreaterThan(0.0, $shin->numbers['by']);
        self::assertEqualsWithDelta(6.0, $shown['higher-seat']->two->figure->point('left-hip')
            ->z - $shown['higher-seat']->one->figure->point('left-hip')->z, 1e-6);
        self::assertGreaterThan(5.0, $shown['higher-seat']->numbers['flexion']);
        self::assertLessThan($shown['rounded']->numbers['one'], $shown['rounded']->numbers['two']);
    }

    public function testAHipThatTurnsFarLeavesTheKneeNothingToDo(): void
    {
        self::assertSame(0.0, $this->shown(140.0)['closed-first']->numbers['twistTwo']);
        self::assertSame(0.0, $this->shown(140.0)['knees-share']->numbers['share']);
    }

    public function testThePageIsOfThisPersonAndOnlyForItsTeacher(): void
    {
        $teacher = $this->teacher();
        $practitioner = $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $page = $this->client->request('GET', "/practitioners/$practitioner->id/why?side=right");
        self::assertResponseIsSuccessful();
        self::assertGreaterThanOrEqual(8, $page->filter('figure svg.figure')->count());
        self::assertSelectorTextContains('main', 'A modest value is used instead');
        self::assertStringNotContainsString('{', $page->filter('main')->text(), 'every number is filled in');
        self::assertSelectorTextContains('nav .main', 'Right');
        $unmeasured = $this->practitioner($teacher, false);
        $this->client->request('GET', "/practitioners/$unmeasured->id/why");
        self::assertResponseRedirects();
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', "/practitioners/$practitioner->id/why");
        self::assertResponseStatusCodeSame(404);
    }

    /** @return array<string, Comparison> */
    private function shown(float $rotation): array
    {
        $shown = SeeWhy::of(Proportions::of(Length::cm(170.0)), Side::Left,
            new Capacity(130.0, 45.0, $rotation, 138.0));

        return array_combine(array_map(static fn (Comparison $one): string => $one->code, $shown), $shown);
    }
}
