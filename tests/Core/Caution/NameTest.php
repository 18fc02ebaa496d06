<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Caution\Words\Name;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NameTest extends TestCase
{
    #[TestWith(['Hips', 'hip'])]
    #[TestWith(['gas', 'gas'])]
    #[TestWith(['Bursitis', 'bursitis'])]
    #[TestWith(['meniscus', 'meniscus'])]
    #[TestWith(['Weakness', 'weakness'])]
    #[TestWith(['Allergies', 'allergy'])]
    #[TestWith(['the left Knee-Replacements', 'knee replacement'])]
    #[TestWith(['Ménière', 'meniere'])]
    public function testCasePluralSideAndAccentsMakeNoOtherName(string $said, string $plain): void
    {
        self::assertSame($plain, Name::plain($said));
    }
}
