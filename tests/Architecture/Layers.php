<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * The application's folders, from the ground up: each knows those below it alone, so that no two lean on one another.
 */
final class Layers
{
    public const ALL = [
        // What is written and read.
        'Json', 'Database', 'Catalogue', 'Text', 'Entity', 'Repository',
        // What is made of it.
        'Security', 'Audit', 'Health', 'Studio', 'PageCache', 'OwnEntry', 'Figure', 'Plan', 'Person', 'Log', 'Planning',
        'PractitionerAccess',
        'Device', 'Guide',
        // Where it comes in and goes out.
        'Exchange', 'Lab', 'Form', 'Bench', 'Twig', 'Demo', 'Controller', 'Command',
    ];

    /** @return iterable<Rule> */
    #[TestRule]
    public function aFolderKnowsThoseBelowItAlone(): iterable
    {
        foreach (self::ALL as $i => $folder) {
            $above = array_slice(self::ALL, $i + 1);
            if ([] !== $above) {
                yield PHPat::rule()
                    ->classes(Selector::inNamespace('LucidAscent\App\\'.$folder))
                    ->shouldNotDependOn()
                    ->classes(
                        ...array_map(
                            static fn (string $one): object => Selector::inNamespace('LucidAscent\App\\'.$one),
                            $above,
                        ),
                    )
                    ->because('what is below is trusted, and tested, without what is made of it');
            }
        }
    }
}
