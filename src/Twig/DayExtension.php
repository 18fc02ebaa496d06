<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Security\TeachersClock;
use LucidAscent\App\Text\DayText;
use Symfony\Component\Uid\Uuid;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/** Days and moments as the teacher's calendar and clock show them; and an id for what a form will make. */
final class DayExtension extends AbstractExtension
{
    public function __construct(private readonly TeachersClock $clock, private readonly DayText $days)
    {
    }

    public function getFilters(): array
    {
        return [
            // A day is a day everywhere: no zone moves it.
            new TwigFilter(
                'day',
                fn (\DateTimeImmutable|string $day, string $format = 'j M Y'): string => $this->days->text(
                    is_string($day) ? new \DateTimeImmutable($day) : $day,
                    $format,
                ),
            ),
            new TwigFilter(
                'moment',
                fn (\DateTimeImmutable $moment, string $format = 'j M Y'): string => $this->days->text(
                    $this->clock->local($moment),
                    $format,
                ),
            ),
        ];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('now', $this->clock->now(...)),
            new TwigFunction('uuid', static fn (): string => (string) Uuid::v7()),
        ];
    }
}
