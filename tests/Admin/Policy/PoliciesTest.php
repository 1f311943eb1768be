<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Policy;

use Lantern\Tests\Admin\ApiTestCase;

final class PoliciesTest extends ApiTestCase
{
    public function testDatesAreTypedAndToldInTheTimeZoneOfTheShop(): void
    {
        $problem = $this->change(['time_zone' => 'Mars/Olympus']);
        self::assertSame(422, $this->code());
        self::assertSame('time_zone', $this->at($problem, 'field'));

        $this->change(['time_zone' => 'Asia/Kathmandu']);
        self::assertSame(200, $this->code());
        $this->send('POST', '/api/redirects', ['source' => '/fair', 'target' => '/papers', 'status' => '302', 'until' => '2027-03-31']);
        self::assertSame(200, $this->code());
        self::assertSame(
            '2027-03-31 18:15:00+00',
            $this->value("SELECT until FROM redirect WHERE source = '/fair'"),
            'its last day is over at midnight there',
        );
        $id = $this->value("SELECT id FROM place WHERE address = '/tools'");
        $said = (string) json_encode(
            $this->send('POST', "/api/places/$id/light-plan", ['opening' => ['from' => null, 'until' => '2027-04-01T09:30']]),
            \JSON_UNESCAPED_SLASHES,
        );
        self::assertStringContainsString('1 April 2027, 09:30 (Asia/Kathmandu)', $said);
    }

    public function testDetailsThatSomebodyChangedMeanwhileAreNotOverwritten(): void
    {
        $version = $this->at($this->get('/api/details'), 'version');
        $this->change(['tagline' => 'Theirs']);
        self::assertSame(200, $this->code());
        $this->send('PATCH', '/api/details', ['tagline' => 'Mine'], \sprintf('"%s"', \is_scalar($version) ? $version : ''));
        self::assertSame(412, $this->code());
        self::assertSame('"Theirs"', $this->value("SELECT value FROM setting WHERE id = 'tagline'"));
    }

    /** @param array<string, mixed> $details */
    private function change(array $details): mixed
    {
        $version = $this->at($this->get('/api/details'), 'version');

        return $this->send('PATCH', '/api/details', $details, \sprintf('"%s"', \is_scalar($version) ? $version : ''));
    }
}
