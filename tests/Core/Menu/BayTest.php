<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Menu\Bay;
use PHPUnit\Framework\TestCase;

final class BayTest extends TestCase
{
    public function testPeopleCallEachByAName(): void
    {
        $names = array_map(
            static fn (string $id): string => (new Bay($id, '', null))->name(),
            ['header', 'drawer', Bay::SECOND_ROW, Bay::LAST_LINE, 'footer-3'],
        );
        self::assertSame(['Header', 'Phone drawer', 'Second row', 'Last line', 'Footer column 3'], $names);
        self::assertSame('Beside the pages of “Guides”', (new Bay('beside-x', '', null, beside: 'x', besideTitle: 'Guides'))->name());
        self::assertSame([true, false], [(new Bay('footer-1', '', null))->isFooter(), (new Bay('header', '', null))->isFooter()]);
    }
}
