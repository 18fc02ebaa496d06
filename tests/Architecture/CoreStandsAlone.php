<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The core takes values and returns values: it knows no framework, no database and no application. */
final class CoreStandsAlone
{
    #[TestRule]
    public function coreKnowsOnlyItself(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('LucidAscent\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('LucidAscent\Core'),
                Selector::inNamespace('Random'),
                Selector::classname('/^[A-Z][A-Za-z]*$/', true),
            )
            ->because('the rules have to be checked, and trusted, without anything around them');
    }
}
