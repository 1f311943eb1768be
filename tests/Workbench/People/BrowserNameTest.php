<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\People;

use Lantern\Workbench\People\BrowserName;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class BrowserNameTest extends TestCase
{
    #[TestWith(['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'])]
    #[TestWith([
        'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/139.0.0.0 Safari/537.36 Edg/139.0',
        'Edge on Windows',
    ])]
    #[TestWith([
        'Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Safari/605.1.15',
        'Safari on a Mac',
    ])]
    #[TestWith([
        'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Mobile Safari/604.1',
        'Safari on an iPhone',
    ])]
    #[TestWith([
        'Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/139.0.0.0 Mobile Safari/537.36',
        'Chrome on Android',
    ])]
    #[TestWith(['curl/8.5.0', 'A browser'])]
    #[TestWith(['', 'A browser'])]
    #[TestWith(['<script>Windows</script>', 'A browser on Windows'])]
    public function testIsWhatPeopleCallIt(string $says, string $name): void
    {
        self::assertSame($name, BrowserName::of($says));
    }
}
