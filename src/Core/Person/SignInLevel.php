<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** How far somebody has come who typed the right password. */
enum SignInLevel
{
    /** May do what the role may. */
    case Whole;

    /** Has a second factor, and has not shown it. */
    case FactorAwaited;

    /** Has none where one is required: may get one, and nothing else. */
    case WithoutFactor;

    public static function of(bool $hasFactor, bool $isRequired, bool $hasShown): self
    {
        return match (true) {
            $hasFactor && !$hasShown => self::FactorAwaited,
            !$hasFactor && $isRequired => self::WithoutFactor,
            default => self::Whole,
        };
    }
}
