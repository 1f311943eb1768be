<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Person;

use Lantern\Core\Person\RecoveryCode;
use Lantern\Core\Person\Role;
use Lantern\Core\Person\SessionRule;
use Lantern\Core\Person\SignInLevel;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Randomizer;

final class SignInLevelTest extends TestCase
{
    #[TestWith([false, false, false, SignInLevel::Whole])]
    #[TestWith([false, true, false, SignInLevel::WithoutFactor])]
    #[TestWith([true, false, false, SignInLevel::FactorAwaited])]
    #[TestWith([true, true, false, SignInLevel::FactorAwaited])]
    #[TestWith([true, true, true, SignInLevel::Whole])]
    #[TestWith([true, false, true, SignInLevel::Whole])]
    // Somebody else took the factor off meanwhile: what was shown once counts for nothing.
    #[TestWith([false, true, true, SignInLevel::WithoutFactor])]
    public function testHowFarSomebodyHasCome(bool $has, bool $required, bool $shown, SignInLevel $standing): void
    {
        self::assertSame($standing, SignInLevel::of($has, $required, $shown));
    }

    #[TestWith(['-1 minute', '-1 minute', true])]
    #[TestWith(['-12 hours', '-1 minute', true])]
    #[TestWith(['-12 hours -1 second', '-1 minute', false])]
    #[TestWith(['-5 hours', '-3 hours', true])]
    #[TestWith(['-5 hours', '-3 hours -1 second', false])]
    public function testASessionEndsByItself(string $begun, string $seen, bool $goesOn): void
    {
        $now = new \DateTimeImmutable('2026-11-01 12:00');
        self::assertSame($goesOn, SessionRule::goesOn($now->modify($begun), $now->modify($seen), $now));
    }

    public function testRecoveryCodesAreManyDifferentAndReadHoweverTheyAreTyped(): void
    {
        $codes = [...RecoveryCode::batch(new Randomizer()), ...RecoveryCode::batch(new Randomizer())];
        self::assertCount(2 * RecoveryCode::BATCH_SIZE, array_unique($codes));
        foreach ($codes as $code) {
            self::assertMatchesRegularExpression('/^[a-hjkmnp-z2-9]{4}(-[a-hjkmnp-z2-9]{4}){2}$/D', $code);
            self::assertSame(RecoveryCode::hash($code), RecoveryCode::hash(' '.strtoupper(str_replace('-', ' ', $code))));
        }
    }

    public function testEachRoleMayWhatThoseBelowMay(): void
    {
        $may = static fn (Role $role): int => (int) $role->mayEdit() + (int) $role->mayPublish() + (int) $role->mayManage();
        self::assertSame([3, 2, 1, 0], array_map($may, Role::cases()));
    }
}
