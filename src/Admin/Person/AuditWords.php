<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Workbench\People\AuditEntry;

/** Says what was done: the one place where these sentences are made. */
final class AuditWords
{
    public static function of(AuditEntry $entry): string
    {
        $about = static fn (string $name): string => $entry->about[$name] ?? '';

        return match ($entry->what) {
            'sign-in' => 'Signed in',
            'sign-in-failed' => "A wrong password for {$about('as')}",
            'sign-in-held-back' => "Too many attempts for {$about('as')}",
            'sign-out' => 'Signed out',
            'invited' => "Invited {$about('mail')} as {$about('role')}",
            'invitation-ended' => "Took the invitation of {$about('mail')} back",
            'joined' => "Followed the invitation, as {$about('role')}",
            'role-changed' => "{$about('who')}: from {$about('from')} to {$about('to')}",
            'let-go' => "{$about('who')} cannot sign in any more",
            'password-changed' => 'Changed the password',
            'password-set-by-mail' => 'Set a new password by a link',
            'password-link' => "Made a link to a new password for {$about('who')}",
            'session-ended' => 'Signed out elsewhere: '.('' === $about('browser') ? 'a browser' : $about('browser')),
            'sessions-ended' => "Ended all sessions of {$about('who')}",
            'factor-set' => 'Set up a second factor',
            'factor-removed' => "Took the second factor off {$about('who')}",
            'factor-wrong' => 'Typed a wrong code',
            'factor-held-back' => 'Typed too many wrong codes',
            'recovery-code-used' => "Used a recovery code; {$about('left')} are left",
            'recovery-codes-renewed' => 'Made new recovery codes',
            'factor-required' => 'Asked a second factor of everybody',
            'factor-not-required' => 'No longer asked a second factor of everybody',
            'audit-kept' => "What was done is kept for {$about('days')} days",
            'first-start' => "Began the shop {$about('shop')}",
            'asked-for-a-release' => 'Asked for a release'.('' === $about('note') ? '' : ": {$about('note')}"),
            'published' => "Published release {$about('release')}",
            'exported' => "Took {$about('what')} out",
            'settings' => 'Changed details of the shop: '.str_replace('_', ' ', $about('which')),
            'refused' => "Was refused: {$about('method')} {$about('route')}",
            'forged-request' => "A request without its token: {$about('method')} {$about('route')}",
            default => $entry->what,
        };
    }
}
