<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Workbench\Audit\AuditEntry;

/** Says what was done: the one place where these sentences are made. */
final class AuditWords
{
    public static function of(AuditEntry $entry): string
    {
        $about = static fn (string $name): string => $entry->about[$name] ?? '';

        return match ($entry->what) {
            'sign-in' => 'Signed in',
            'sign-in-failed' => 'A wrong password '.self::at($about('as')).self::times($about('times')),
            'sign-in-held-back' => 'Too many attempts to sign in '.self::at($about('as')).self::times($about('times')),
            'password-asked' => 'A letter for a new password was asked '.self::at($about('as')).self::times($about('times')),
            'link-made-up' => 'A link that holds nothing was followed'.self::times($about('times')),
            'own-password-wrong' => 'Typed a wrong password in *Your account*'.self::times($about('times')),
            'own-password-held-back' => 'Typed too many wrong passwords in *Your account*'.self::times($about('times')),
            'message-again' => "Sent again what had failed: {$about('message')}",
            'message-let-go' => "Let go what had failed: {$about('message')}",
            'job-stopped' => "Stopped a job: {$about('job')}".('' === $about('who') ? '' : ", asked for by {$about('who')}"),
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
            'factor-wrong' => 'Typed a wrong code'.self::times($about('times')),
            'factor-held-back' => 'Typed too many wrong codes'.self::times($about('times')),
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
            'refused' => "Was refused: {$about('method')} {$about('route')}".self::times($about('times')),
            'forged-request' => "A request without its token: {$about('method')} {$about('route')}".self::times($about('times')),
            default => $entry->what,
        };
    }

    private static function at(string $account): string
    {
        return '' === $account ? 'for an address of nobody here' : "for $account";
    }

    private static function times(string $times): string
    {
        return (int) $times < 2 ? '' : \sprintf(' (%s times today from this network)', number_format((int) $times));
    }
}
