<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\Core\Body\Side;

/** Pictures that practitioners mark themselves: where the teacher allowed it, of what their sessions have this week. */
final readonly class HomePictures
{
    /** Among the tests that are allowed at home, what stands for them. */
    public const ALLOWED = 'rung-picture';

    public function __construct(private AccessRecords $own)
    {
    }

    /**
     * @param list<array<string, mixed>> $sessions of this week, without what is held
     *
     * @return list<array{posture: string, rung: string, side: Side, name: string}>
     */
    public function offered(Practitioner $practitioner, array $sessions): array
    {
        if (!isset($this->own->allowed($practitioner)[self::ALLOWED])) {
            return [];
        }
        $offered = [];
        foreach ($sessions as $session) {
            foreach ($session['items'] as $item) {
                if ('work' !== $item['phase'] || isset($item['drill'])) {
                    continue;
                }
                $side = Side::tryFrom($item['side']);
                foreach (null === $side ? Side::cases() : [$side] as $side) {
                    $offered["$item[posture]/$item[rung]/$side->value"] = [
                        'posture' => $item['posture'],
                        'rung' => $item['rung'],
                        'side' => $side,
                        'name' => $item['name'],
                    ];
                }
            }
        }

        return array_values($offered);
    }
}
