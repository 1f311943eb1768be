<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Queues;

use Lantern\Workbench\Mailing\TellService;
use Lantern\Workbench\Queues\ReadableMessages;
use Lantern\Workbench\Queues\UnreadableMessage;
use Lantern\Workbench\Subscribers\WriteLetter;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Transport\Serialization\PhpSerializer;

final class ReadableMessagesTest extends TestCase
{
    /** @param class-string $now */
    #[TestWith(['Lantern\Letters\WriteLetter', WriteLetter::class])]
    #[TestWith(['Lantern\Letters\TellService', TellService::class])]
    public function testWhatWaitedUnderAnEarlierNameIsStillDone(string $earlier, string $now): void
    {
        $messages = new ReadableMessages(new PhpSerializer());
        $message = (new \ReflectionClass($now))->newInstanceWithoutConstructor();
        $encoded = $messages->encode(new Envelope($message));
        $before = \sprintf('O:%d:"%s"', \strlen($earlier), $earlier);
        $after = \sprintf('O:%d:"%s"', \strlen($now), $now);
        $body = stripslashes($encoded['body']);
        self::assertStringContainsString($after, $body);
        $decoded = $messages->decode(['body' => addslashes(str_replace($after, $before, $body))] + $encoded);
        self::assertInstanceOf($now, $decoded->getMessage());
    }

    public function testWhatNobodyCanReadSaysSo(): void
    {
        $decoded = (new ReadableMessages(new PhpSerializer()))->decode(['body' => 'O:9:"No\\\\Such":0:{}']);
        self::assertInstanceOf(UnreadableMessage::class, $decoded->getMessage());
    }
}
