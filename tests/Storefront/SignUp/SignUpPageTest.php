<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\SignUp;

use Lantern\Kernel;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

final class SignUpPageTest extends ShopTestCase
{
    public function testAnAddressIsTakenAndTheSameIsSaidOfEveryAddress(): void
    {
        $answers = [];
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.subscriber (id, list, address, state, asked_at, confirmed_at)
            VALUES (gen_random_uuid(), 'Letters', 'on@example.org', 'confirmed', now(), now())
            SQL);
        foreach (['on@example.org', 'new@example.org'] as $address) {
            $response = $this->post('/sign-up', ['form' => $this->form(), 'address' => " $address "]);
            $answers[] = [$response->getStatusCode(), $response->headers->get('Location'), $response->getContent()];
        }
        self::assertSame($answers[0], $answers[1]);
        self::assertSame([303, '/sign-up?asked'], \array_slice($answers[0], 0, 2));
        self::assertSame('2', $this->value("SELECT count(*) FROM journal.message WHERE body LIKE '%WriteLetter%'"));
        self::assertStringContainsString('Look into your mailbox', (string) $this->get('/sign-up?asked')->getContent());
    }

    public function testWhatIsNoAddressIsSaidWithWhatWasTyped(): void
    {
        foreach ([
            '',
            'ada',
            'ada@',
            'a b@example.org',
            "ada@example.org\r\nBcc: all@example.org",
            str_repeat('a', 300).'@example.org',
            '<script>@x',
        ] as $wrong) {
            $response = $this->post('/sign-up', ['form' => $this->form(), 'address' => $wrong]);
            self::assertSame(422, $response->getStatusCode(), $wrong);
            self::assertStringContainsString('This is no mail address.', (string) $response->getContent());
            self::assertStringNotContainsString('<script>@x', (string) $response->getContent());
        }
        self::assertStringContainsString(
            'value="ada"',
            (string) $this->post('/sign-up', ['form' => $this->form(), 'address' => 'ada'])->getContent(),
        );
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.subscriber'));
    }

    public function testProgramsAreToldWhatEverybodyIsAndNothingIsKept(): void
    {
        self::assertSame(
            303,
            $this->post(
                '/sign-up',
                ['form' => $this->form(), 'address' => 'bot@example.org', 'website' => 'https://x.example'],
            )->getStatusCode(),
        );
        self::assertSame(
            403,
            $this->post(
                '/sign-up',
                ['form' => $this->form(), 'address' => 'a@example.org'],
                ['HTTP_SEC_FETCH_SITE' => 'cross-site'],
            )->getStatusCode(),
        );
        foreach (['', 'x', '01934000-0000-7000-8000-000000000001'] as $form) {
            self::assertSame(422, $this->post('/sign-up', ['form' => $form, 'address' => 'a@example.org'])->getStatusCode());
        }
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.subscriber'));
    }

    public function testVeryManyFromOneNetworkWait(): void
    {
        $codes = [];
        foreach (range(1, 25) as $n) {
            $codes[] = $this->post('/sign-up', ['form' => $this->form(), 'address' => "a$n@example.org"])->getStatusCode();
        }
        self::assertSame([303 => 20, 429 => 5], array_count_values($codes));
    }

    public function testALinkOfALetterAsksBeforeItDoesAnythingAndAMailProgramNeedsNoPage(): void
    {
        $this->post('/sign-up', ['form' => $this->form(), 'address' => 'ada@example.org']);
        $id = $this->value('SELECT id FROM journal.subscriber');
        $token = static fn (string $for): string => $id.'.'
            .rtrim(
                strtr(
                    base64_encode(hash_hmac(
                        'sha256',
                        "letters $id $for",
                        \is_string($_SERVER['APP_SECRET'] ?? null) ? $_SERVER['APP_SECRET'] : '',
                        true,
                    )),
                    '+/',
                    '-_',
                ),
                '=',
            );
        $yes = '/sign-up/yes?t='.$token('yes '.$this->value('SELECT extract(epoch FROM asked_at)::bigint FROM journal.subscriber'));
        self::assertSame(200, $this->get($yes)->getStatusCode());
        self::assertSame('asked', $this->value('SELECT state FROM journal.subscriber'), 'what only looks at a link says nothing');
        self::assertStringContainsString('You are on the list</h1>', (string) $this->post($yes, [])->getContent());
        self::assertStringContainsString('You are on the list already', (string) $this->post($yes, [])->getContent());
        $no = '/sign-up/no?t='.$token('no');
        self::assertStringContainsString('No more letters?', (string) $this->get($no)->getContent());
        self::assertSame(
            200,
            $this->post($no, ['List-Unsubscribe' => 'One-Click'], ['HTTP_SEC_FETCH_SITE' => 'cross-site'])->getStatusCode(),
        );
        self::assertSame('left', $this->value('SELECT state FROM journal.subscriber'));
        self::assertSame(404, $this->post('/sign-up/yes?t=made-up', [])->getStatusCode());
        self::assertSame(404, $this->post('/sign-up/no', [])->getStatusCode());
    }

    private function form(): string
    {
        return $this->value("SELECT id FROM live.entry WHERE piece ->> 'kind' = 'sign-up' AND on_page IS NULL");
    }

    /**
     * @param array<string, string> $fields
     * @param array<string, string> $server
     */
    private function post(string $target, array $fields, array $server = []): Response
    {
        return $this->ask(Request::create($target, 'POST', $fields, server: ['REMOTE_ADDR' => '192.0.2.1'] + $server));
    }

    private function get(string $target): Response
    {
        return $this->ask(Request::create($target));
    }

    private function ask(Request $request): Response
    {
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle($request);
        $kernel->shutdown();

        return $response;
    }
}
