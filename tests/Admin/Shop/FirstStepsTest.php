<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Shop;

use Lantern\Tests\Admin\ApiTestCase;

final class FirstStepsTest extends ApiTestCase
{
    public function testTheyFollowWhatIsThere(): void
    {
        $done = fn (): array => array_column((array) $this->at($this->get('/api/first-steps'), 'steps'), 'isDone', 'id');
        self::assertSame(['details' => true, 'policies' => true, 'pages' => true, 'menu' => true, 'publish' => true], $done());
        self::assertFalse($this->at($this->get('/api/session'), 'isNew'));
        $this->workbench()->executeStatement("UPDATE bay SET menu_id = NULL WHERE id = 'header'");
        $this->workbench()->executeStatement("UPDATE setting SET value = '\"\"' WHERE id = 'company'");
        self::assertSame(['details' => false, 'policies' => true, 'pages' => true, 'menu' => false, 'publish' => true], $done());
        self::assertTrue($this->at($this->get('/api/session'), 'isNew'));
    }

    public function testTheyArePutAwayAndTakenUpAgainByWhoMayEdit(): void
    {
        $this->workbench()->executeStatement("UPDATE bay SET menu_id = NULL WHERE id = 'header'");
        self::assertTrue($this->at($this->send('PUT', '/api/first-steps', ['isAway' => true]), 'isAway'));
        self::assertFalse($this->at($this->get('/api/session'), 'isNew'));
        self::assertFalse($this->at($this->send('PUT', '/api/first-steps', ['isAway' => false]), 'isAway'));
        self::assertTrue($this->at($this->get('/api/session'), 'isNew'));
        $this->signIn('viewer');
        $this->send('PUT', '/api/first-steps', ['isAway' => true]);
        self::assertSame(403, $this->code());
    }
}
