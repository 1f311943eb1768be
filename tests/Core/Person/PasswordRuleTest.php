<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Person;

use Lantern\Core\Person\PasswordRule;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PasswordRuleTest extends TestCase
{
    #[TestWith(['short', 'at least 12'])]
    #[TestWith(['elevenchars', 'at least 12'])]
    #[TestWith(['äöüäöüäöüäö', 'at least 12'])]
    #[TestWith(['q1w2e3r4t5y6', 'tried first'])]
    #[TestWith(['Q1W2E3R4T5Y6', 'tried first'])]
    #[TestWith(['aaaaaaaaaaaaaaaa', 'tried first'])]
    #[TestWith(['abcabcabcabcabc', 'tried first'])]
    #[TestWith(['imke ravensworth1', 'others do not know'])]
    #[TestWith(['owner@shop.example!', 'others do not know'])]
    public function testWhatIsRefused(string $password, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        PasswordRule::check($password, ['Imke Ravensworth', 'owner@shop.example']);
    }

    public function testALongOneIsASlip(): void
    {
        $this->expectExceptionMessage('this one has 5,000');
        PasswordRule::check(str_repeat('abcdefghij', 500));
    }

    #[TestWith(['marble river lantern'])]
    #[TestWith(['ärgernis über äpfel'])]
    #[TestWith(['            x y z'])]
    public function testWhatIsTaken(string $password): void
    {
        PasswordRule::check($password, ['Imke Ravensworth', '']);
        $this->addToAssertionCount(1);
    }
}
