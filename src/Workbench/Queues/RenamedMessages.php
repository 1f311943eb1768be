<?php

declare(strict_types=1);

namespace Lantern\Workbench\Queues;

use Lantern\Workbench\Letters\LetterToPerson;
use Lantern\Workbench\Mailing\TellService;
use Lantern\Workbench\MorningMail\TellOfTheMorning;
use Lantern\Workbench\MorningMail\TellPersonOfTheMorning;
use Lantern\Workbench\OutsideLinks\CheckOutsideLinks;
use Lantern\Workbench\People\PasswordWanted;
use Lantern\Workbench\Subscribers\WriteLetter;

/** Names that messages had in earlier versions: a letter that waited while the program was upgraded is still sent. */
final class RenamedMessages
{
    private const NOW = [
        'Lantern\Workbench\OutsideLinks\AskOutside' => CheckOutsideLinks::class,
        'Lantern\Letters\LetterToPerson' => LetterToPerson::class,
        'Lantern\Letters\TellOfTheMorning' => TellOfTheMorning::class,
        'Lantern\Letters\TellPersonOfTheMorning' => TellPersonOfTheMorning::class,
        'Lantern\Letters\TellService' => TellService::class,
        'Lantern\Letters\WriteLetter' => WriteLetter::class,
        'Lantern\Admin\SignIn\PasswordWanted' => PasswordWanted::class,
    ];

    private static bool $areKnown = false;

    /** From here on a message that was stored under its earlier name is read as what it is called now. */
    public static function know(): void
    {
        if (!self::$areKnown) {
            self::$areKnown = spl_autoload_register(static function (string $class): void {
                $now = self::NOW[$class] ?? null;
                null === $now || class_alias($now, $class);
            });
        }
    }
}
