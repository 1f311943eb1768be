<?php

declare(strict_types=1);

namespace Lantern\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The walls between the layers: an arrow goes down only, and the core imports nothing but PHP. */
final class Walls
{
    public function testTheCoreImportsNothingButPhp(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Core'))
            ->canOnlyDependOn()->classes(Selector::inNamespace('Lantern\Core'), Selector::isStandardClass())
            ->because('the rules of the job need no framework, no database and no clock');
    }

    public function testPersistenceAndInterchangeStandOnTheCore(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Persistence'), Selector::inNamespace('Lantern\Interchange'))
            ->shouldNotDependOn()->classes(...self::upper());
    }

    public function testTheStorefrontKnowsNothingOfItsManagement(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Storefront'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('Lantern\Admin'), Selector::inNamespace('Lantern\Console'), Selector::inNamespace('Lantern\Demo'));
    }

    public function testTheManagementKnowsNothingOfTheStorefront(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Admin'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('Lantern\Storefront'), Selector::inNamespace('Lantern\Console'), Selector::inNamespace('Lantern\Demo'));
    }

    /** @return list<\PHPat\Selector\SelectorInterface> */
    private static function upper(): array
    {
        return array_map(static fn (string $layer) => Selector::inNamespace("Lantern\\$layer"), ['Admin', 'Storefront', 'Console', 'Demo']);
    }
}
