<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Site;

use Lantern\Core\Address\Address;
use Lantern\Core\Person\Actor;
use Lantern\Kernel;
use Lantern\Reading\Copies\Copies;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\DependencyInjection\ContainerInterface;

final class StorefrontControllerTest extends ShopTestCase
{
    /** Whatever is published while a page is made, all of the page is of the release it began with. */
    public function testAPageIsOfOneRelease(): void
    {
        $kernel = new Kernel('test', false, 'storefront');
        $kernel->boot();
        $container = $kernel->getContainer()->get('test.service_container');
        self::assertInstanceOf(ContainerInterface::class, $container);
        $live = $container->get(Copies::class);
        self::assertInstanceOf(Copies::class, $live);
        $read = $live->live->snapshot(function () use ($live): array {
            $before = [$live->live->frameVersion(), $live->live->places->at(Address::parse('/papers'))?->title];
            $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
            $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));

            return [$before, [$live->live->frameVersion(), $live->live->places->at(Address::parse('/papers'))?->title]];
        });
        self::assertSame($read[0], $read[1]);
        self::assertSame('Papers', $read[1][1]);
        self::assertSame('Sheets', $live->live->places->at(Address::parse('/papers'))?->title, 'the next page is of the next');
        $kernel->shutdown();
    }
}
