<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Address;

use Lantern\Core\Address\OutsideUrl;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OutsideUrlTest extends TestCase
{
    #[DataProvider('urls')]
    public function testEveryWayToWriteOneHasOneForm(string $typed, string $form): void
    {
        self::assertSame($form, OutsideUrl::parse($typed)->url);
        self::assertSame($form, OutsideUrl::parse($form)->url, 'the form is its own');
    }

    /** @return iterable<string, array{string, string}> */
    public static function urls(): iterable
    {
        yield 'as it is' => ['https://example.org/page?x=1#part', 'https://example.org/page?x=1#part'];
        yield 'scheme and host in capitals' => ['HTTPS://Example.ORG/Page', 'https://example.org/Page'];
        yield 'letters beyond ASCII in the host (UTS #46)' => ['https://bücher.example/', 'https://xn--bcher-kva.example/'];
        yield 'capital letters beyond ASCII' => ['https://BÜCHER.example', 'https://xn--bcher-kva.example'];
        yield 'letters beyond ASCII in the path' => ['https://example.org/käse', 'https://example.org/k%C3%A4se'];
        yield 'a port' => ['http://example.org:8080/', 'http://example.org:8080/'];
        yield 'IPv6' => ['http://[2001:DB8::1]/x', 'http://[2001:db8::1]/x'];
        yield 'no dot' => ['http://localhost/x', 'http://localhost/x'];
        yield 'a star in the path means itself' => ['https://example.org/a*b', 'https://example.org/a*b'];
    }

    #[DataProvider('notUrls')]
    public function testWhatIsNoneIsRefused(string $typed): void
    {
        $this->expectException(Refused::class);
        OutsideUrl::parse($typed);
    }

    /** @return iterable<int, array{string}> */
    public static function notUrls(): iterable
    {
        foreach (['', 'example.org', '/page', '//example.org', 'javascript:alert(1)', 'https://', 'https:///x', 'https://evil.example*', 'https://a..b/', 'https://-a.example/', 'https://user@example.org/', 'https://a:b@example.org/',
            'https://example.org:0/', 'https://example.org:65536/', 'https://example.org:x/', 'https://exa mple.org/',
            "https://example.org/\n", "https://example.org\n", 'https://example.org/<b>', 'https://example.org\\x', "https://\xff.example/",
            'https://[::1', 'https://[zz]/', 'https://'.str_repeat('a', 64).'.example/', 'https://example.org/'.str_repeat('a', 2048), 'https://%65xample.org/', 'https://xn--/', 'https://a_/'] as $typed) {
            yield [$typed];
        }
    }
}
