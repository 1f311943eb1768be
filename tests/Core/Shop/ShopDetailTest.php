<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Refused;
use Lantern\Core\Shop\ShopDetail;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ShopDetailTest extends TestCase
{
    #[TestWith([ShopDetail::Mail, ' hello@shop.example ', 'hello@shop.example'])]
    #[TestWith([ShopDetail::Mail, '', ''])]
    #[TestWith([ShopDetail::DaysToReturn, '14', '14'])]
    #[TestWith([ShopDetail::Company, "A  b\n c", 'A b c'])]
    public function testKeepsWhatHolds(ShopDetail $detail, string $typed, string $kept): void
    {
        self::assertSame($kept, $detail->checked($typed));
    }

    #[TestWith([ShopDetail::Mail, 'hello at shop'])]
    #[TestWith([ShopDetail::DaysToReturn, 'a month'])]
    #[TestWith([ShopDetail::DaysToReturn, '0'])]
    #[TestWith([ShopDetail::DaysToReturn, '1000'])]
    #[TestWith([ShopDetail::Name, ' '])]
    public function testRefusesTheRest(ShopDetail $detail, string $typed): void
    {
        try {
            $detail->checked($typed);
            self::fail('It was kept.');
        } catch (Refused $refused) {
            self::assertSame($detail->value, $refused->field);
        }
    }

    public function testIsNotLongerThanAPageCanShow(): void
    {
        $this->expectException(Refused::class);
        ShopDetail::Tagline->checked(str_repeat('x', 201));
    }
}
