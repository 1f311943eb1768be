<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Admin\Http\Api;
use Lantern\Tests\ShopTestCase;

final class ApiTest extends ShopTestCase
{
    public function testWhereNoAnswerCanBeMadeNothingWasChanged(): void
    {
        try {
            $this->service(Api::class)->changed(
                fn (): mixed => $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'"),
                static fn (): object => throw new \RuntimeException('The answer cannot be made.'),
            );
            self::fail('There was an answer.');
        } catch (\RuntimeException) {
        }
        self::assertSame('Papers', $this->value("SELECT title FROM place WHERE address = '/papers'"));
    }

    public function testWhereItCanBeMadeItIsChangedByThen(): void
    {
        $response = $this->service(Api::class)->changed(
            fn (): mixed => $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'"),
            fn (): object => (object) ['title' => $this->value("SELECT title FROM place WHERE address = '/papers'")],
        );
        self::assertSame('{"title":"Sheets"}', $response->getContent());
        self::assertSame('Sheets', $this->value("SELECT title FROM place WHERE address = '/papers'"));
    }
}
