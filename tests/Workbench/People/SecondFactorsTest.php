<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\People;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\RecoveryCode;
use Lantern\Core\Refused;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\People\HouseRules;
use Lantern\Workbench\People\SecondFactors;
use Lantern\Workbench\People\Secrets;
use Lantern\Workbench\People\TeamEditor;

final class SecondFactorsTest extends ShopTestCase
{
    public function testNothingHoldsBeforeACodeWasTyped(): void
    {
        [$factors, $id] = [$this->factors(), $this->person()->id];
        $totp = $factors->begin($id);
        self::assertFalse($factors->has($id));
        self::assertFalse($factors->accept($id, $totp->code(new \DateTimeImmutable())));
        $codes = $factors->confirm($id, $totp->code(new \DateTimeImmutable()));
        self::assertTrue($factors->has($id));
        self::assertSame([RecoveryCode::BATCH_SIZE, RecoveryCode::BATCH_SIZE], [\count($codes), $factors->codesLeft($id)]);
    }

    public function testTheSecretIsKeptLockedAndCodesAsHashes(): void
    {
        [$factors, $id] = [$this->factors(), $this->person()->id];
        $totp = $factors->begin($id);
        $codes = $factors->confirm($id, $totp->code(new \DateTimeImmutable()));
        $kept = $this->value('SELECT factor FROM journal.person WHERE id = ?', $id);
        self::assertStringNotContainsString($totp->base32(), $kept);
        self::assertSame($totp->base32(), $this->service(Secrets::class)->open($kept));
        self::assertNull((new Secrets('another secret of the application'))->open($kept));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.recovery_code WHERE code_hash = ?', $codes[0]));
    }

    public function testASecretThatCannotBeOpenedLetsNobodyInButARecoveryCodeDoes(): void
    {
        [$factors, $id] = [$this->factors(), $this->person()->id];
        $totp = $factors->begin($id);
        $codes = $factors->confirm($id, $totp->code(new \DateTimeImmutable()));
        $this->workbench()->executeStatement(
            'UPDATE journal.person SET factor = ? WHERE id = ?',
            [(new Secrets('another'))->lock($totp->base32()), $id],
        );
        self::assertFalse($factors->accept($id, $totp->code(new \DateTimeImmutable('+1 minute'))));
        self::assertTrue($factors->accept($id, $codes[3]));
        self::assertSame(RecoveryCode::BATCH_SIZE - 1, $factors->codesLeft($id));
    }

    public function testANewDeviceTakesThePlaceOfTheOldOneOnlyWhenItWorks(): void
    {
        [$factors, $id] = [$this->factors(), $this->person()->id];
        $old = $factors->begin($id);
        $before = $factors->confirm($id, $old->code(new \DateTimeImmutable('-30 seconds')));
        $new = $factors->begin($id);
        try {
            $factors->confirm($id, '000000');
            self::fail('A wrong code was taken.');
        } catch (Refused $refused) {
            self::assertSame('code', $refused->field);
        }
        self::assertTrue($factors->accept($id, $old->code(new \DateTimeImmutable())), 'the old one still holds');
        $factors->confirm($id, $new->code(new \DateTimeImmutable()));
        self::assertFalse($factors->accept($id, $old->code(new \DateTimeImmutable('+30 seconds'))));
        self::assertFalse($factors->accept($id, $before[0]), 'nor do the codes on paper from before');
    }

    public function testRenewedCodesReplaceThoseBefore(): void
    {
        [$factors, $id] = [$this->factors(), $this->person()->id];
        $totp = $factors->begin($id);
        $before = $factors->confirm($id, $totp->code(new \DateTimeImmutable('-30 seconds')));
        $after = $factors->renewCodes($id, $totp->code(new \DateTimeImmutable()));
        self::assertSame([], array_intersect($before, $after));
        self::assertFalse($factors->accept($id, $before[1]));
        self::assertTrue($factors->accept($id, $after[1]));
        $this->expectException(Refused::class);
        $factors->renewCodes($id, '123456');
    }

    public function testWhereEverybodyNeedsOneNobodyTakesTheirsOff(): void
    {
        [$factors, $id] = [$this->factors(), $this->person()->id];
        $factors->confirm($id, $factors->begin($id)->code(new \DateTimeImmutable()));
        $this->service(HouseRules::class)->set(true, 365, Actor::commandLine('Imke'));
        try {
            $factors->remove($id, Actor::commandLine('Joss'));
            self::fail('It was taken off.');
        } catch (Refused) {
            self::assertTrue($factors->has($id));
        }
        $factors->takeOff($id, Actor::commandLine('Imke'));
        self::assertFalse($factors->has($id));
        self::assertSame(0, $factors->codesLeft($id));
    }

    public function testSomebodyWhoHasLeftHasNone(): void
    {
        $id = $this->person()->id;
        $this->service(TeamEditor::class)->letGo($id, Actor::commandLine('Imke'));
        $this->expectException(NotThere::class);
        $this->factors()->has($id);
    }

    private function factors(): SecondFactors
    {
        return $this->service(SecondFactors::class);
    }
}
