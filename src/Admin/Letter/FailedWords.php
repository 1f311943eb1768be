<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use Lantern\Workbench\Findings\CatchUp;
use Lantern\Workbench\Findings\KeepUp;
use Lantern\Workbench\Findings\WalkOver;
use Lantern\Workbench\Jobs\DoJob;
use Lantern\Workbench\Letters\LetterToPerson;
use Lantern\Workbench\Mailing\TellService;
use Lantern\Workbench\MorningMail\TellOfTheMorning;
use Lantern\Workbench\MorningMail\TellPersonOfTheMorning;
use Lantern\Workbench\OutsideLinks\AskHost;
use Lantern\Workbench\OutsideLinks\CheckOutsideLinks;
use Lantern\Workbench\People\PasswordWanted;
use Lantern\Workbench\Subscribers\WriteLetter;

/** Says what could not be done: the one place where these sentences are made. */
final class FailedWords
{
    public static function of(object $message): string
    {
        return match (true) {
            $message instanceof LetterToPerson && 'invitation' === $message->letter => "The invitation to {$message->mail}",
            $message instanceof LetterToPerson, $message instanceof PasswordWanted => "The letter for a new password to {$message->mail}",
            $message instanceof WriteLetter => 'A letter to somebody who signed up',
            $message instanceof TellService => "Telling the mailing service that {$message->address} {$message->type} “{$message->list}”",
            $message instanceof TellOfTheMorning, $message instanceof TellPersonOfTheMorning => 'The mail of the morning',
            $message instanceof DoJob => 'A job',
            $message instanceof WalkOver, $message instanceof KeepUp, $message instanceof CatchUp => 'Looking over the shop',
            $message instanceof AskHost => "Asking {$message->host}",
            $message instanceof CheckOutsideLinks => 'Asking other web sites',
            default => (new \ReflectionClass($message))->getShortName(),
        };
    }
}
