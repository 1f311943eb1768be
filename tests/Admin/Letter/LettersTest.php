<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Letter;

use Lantern\Tests\Admin\ApiTestCase;

final class LettersTest extends ApiTestCase
{
    public function testTheListsAreForOwners(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.subscriber (id, list, address, state, agreed, asked_at, confirmed_at)
            VALUES (gen_random_uuid(), 'Letters', 'ada@example.org', 'confirmed', 'Only "these"', now(), '2026-03-01 10:00 UTC'),
            (gen_random_uuid(), 'Letters', '=cmd@example.org', 'confirmed', '', now(), '2026-03-01 10:00 UTC'), (gen_random_uuid(),
            'Letters', 'asked@example.org', 'asked', '', now(), NULL)
            SQL);
        foreach (['editor', 'viewer'] as $role) {
            $this->signIn($role);
            foreach (['/api/letters', '/api/letters/subscribers.csv?list=Letters', '/api/%6cetters'] as $path) {
                $this->get($path);
                self::assertSame(403, $this->code(), "$role $path");
            }
        }
        $this->signIn('owner');
        $all = $this->get('/api/letters');
        self::assertEquals([['name' => 'Letters', 'confirmed' => 2, 'asked' => 1, 'left' => 0]], $this->at($all, 'lists'));
        self::assertSame([], $this->at($all, 'mails'));
        self::assertTrue($this->at($all, 'keepsMails'));
        ob_start();
        $this->browser->request('GET', '/api/letters/subscribers.csv?list=Letters');
        $csv = (string) ob_get_clean();
        $csv = '' === $csv ? $this->browser->getInternalResponse()->getContent() : $csv;
        self::assertSame(
            'address,"confirmed at","agreed '
                ."to\"\r\n'=cmd@example.org,2026-03-01T10:00:00+00:00,\r\nada@example.org,2026-03-01T10:00:00+00:00,\"Only "
                ."\"\"these\"\"\"\r\n",
            $csv,
        );
        $this->get('/api/letters/subscribers.csv');
        self::assertSame(404, $this->code());
    }

    public function testAListThatNobodyIsOnYetIsThereByItsForm(): void
    {
        $this->signIn('owner');
        self::assertEquals(
            [['name' => 'Letters', 'confirmed' => 0, 'asked' => 0, 'left' => 0]],
            $this->at($this->get('/api/letters'), 'lists'),
        );
    }
}
