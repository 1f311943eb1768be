<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\People;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\People\Colleague;
use Lantern\Workbench\People\Invited;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\TeamEditor;
use PHPUnit\Framework\Attributes\TestWith;

final class TeamEditorTest extends ShopTestCase
{
    private const PASSWORD = 'tin heron quarry lace';

    #[TestWith(['nowhere', 'Nell', 'mail'])]
    #[TestWith(['', 'Nell', 'mail'])]
    #[TestWith(["a@b.example\nBcc: all@b.example", 'Nell', 'mail'])]
    #[TestWith(['nell@tansyandrook.example', " \t ", 'name'])]
    #[TestWith(['owner@tansyandrook.example', 'Nell', 'mail'])]
    #[TestWith([' OWNER@tansyandrook.example ', 'Nell', 'mail'])]
    public function testWhomNobodyCanInviteIsSaidWhy(string $mail, string $name, string $field): void
    {
        try {
            $this->team()->invite($mail, $name, Role::Editor, Actor::commandLine('Imke'));
            self::fail('It was taken.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
        }
        self::assertSame([], $this->team()->invited());
    }

    public function testANameMayBeAsLongAsANameIs(): void
    {
        $this->team()->invite('nell@tansyandrook.example', str_repeat('ü', 100), Role::Editor, Actor::commandLine('Imke'));
        $this->expectException(Refused::class);
        $this->team()->invite('nora@tansyandrook.example', str_repeat('ü', 101), Role::Editor, Actor::commandLine('Imke'));
    }

    public function testAnInvitationThatWasTakenBackLeadsNowhere(): void
    {
        $token = $this->team()->invite('nell@tansyandrook.example', 'Nell', Role::Editor, Actor::commandLine('Imke'));
        $invited = $this->team()->invited();
        self::assertSame(['nell@tansyandrook.example'], array_map(static fn (Invited $one): string => $one->mail, $invited));
        $this->team()->takeBack($invited[0]->id, Actor::commandLine('Imke'));
        foreach ([
            fn () => $this->team()->invitation($token),
            fn () => $this->team()->accept($token, self::PASSWORD),
            fn () => $this->team()->takeBack($invited[0]->id, Actor::commandLine('Imke')),
        ] as $act) {
            try {
                $act();
                self::fail('It was still there.');
            } catch (NotThere) {
                $this->addToAssertionCount(1);
            }
        }
    }

    public function testTheTokenItselfIsKeptNowhere(): void
    {
        $token = $this->team()->invite('nell@tansyandrook.example', 'Nell', Role::Editor, Actor::commandLine('Imke'));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.invitation WHERE token_hash = ?', $token));
        self::assertNotSame('', (string) $this->team()->askForPassword('editor@tansyandrook.example'));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.password_link WHERE length(token_hash) <> 64'));
    }

    public function testAPasswordThatIsRefusedUsesUpNothing(): void
    {
        $token = $this->team()->invite('nell@tansyandrook.example', 'Nell Askew', Role::Editor, Actor::commandLine('Imke'));
        foreach (['short', 'nell@tansyandrook.example', str_repeat('ab', 20)] as $password) {
            try {
                $this->team()->accept($token, $password);
                self::fail("$password was taken.");
            } catch (Refused $refused) {
                self::assertSame('password', $refused->field);
            }
        }
        self::assertSame('Nell Askew', $this->team()->accept($token, self::PASSWORD)->name);
        self::assertTrue($this->team()->isPassword($this->value(<<<'SQL'
            SELECT id FROM journal.person WHERE mail = 'nell@tansyandrook.example'
            SQL), self::PASSWORD));
    }

    public function testThoseWhoLeftStandLastAndCannotBeGivenARole(): void
    {
        $editor = $this->person()->id;
        $this->team()->letGo($editor, Actor::commandLine('Imke'));
        $all = $this->team()->all();
        self::assertSame($editor, $all[\count($all) - 1]->id);
        self::assertNotNull($all[\count($all) - 1]->leftAt);
        self::assertSame([], array_filter(\array_slice($all, 0, -1), static fn (Colleague $one): bool => null !== $one->leftAt));
        $this->expectException(NotThere::class);
        $this->team()->giveRole($editor, Role::Owner, Actor::commandLine('Imke'));
    }

    public function testARoleThatSomebodyHasAlreadyIsNoNews(): void
    {
        $before = $this->value("SELECT count(*) FROM journal.audit WHERE what = 'role-changed'");
        $this->team()->giveRole($this->person()->id, Role::Editor, Actor::commandLine('Imke'));
        self::assertSame($before, $this->value("SELECT count(*) FROM journal.audit WHERE what = 'role-changed'"));
    }

    public function testALinkToANewPasswordHoldsForAnHourAndTheLatestAlone(): void
    {
        $first = (string) $this->team()->askForPassword('editor@tansyandrook.example');
        $second = (string) $this->team()->askForPassword('EDITOR@tansyandrook.example');
        self::assertFalse($this->team()->holdsPasswordLink($first));
        self::assertTrue($this->team()->holdsPasswordLink($second));
        $this->workbench()->executeStatement("UPDATE journal.password_link SET until = now() - interval '1 second'");
        self::assertFalse($this->team()->holdsPasswordLink($second));
        $this->expectException(NotThere::class);
        $this->team()->setPassword($second, self::PASSWORD);
    }

    /** Whoever asked for a letter and remembered the password after all leaves no second key about. */
    public function testALinkEndsWithThePasswordThatItWasToReplace(): void
    {
        $link = (string) $this->team()->askForPassword('editor@tansyandrook.example');
        $this->team()->changePassword($this->person()->id, 'lantern-editor', self::PASSWORD, '');
        self::assertFalse($this->team()->holdsPasswordLink($link));
    }

    public function testWhoComesBackSetsUpASecondFactorAnew(): void
    {
        $editor = $this->person();
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE id = ?", [$editor->id]);
        $this->team()->letGo($editor->id, Actor::commandLine('Imke'));
        $token = $this->team()->invite('editor@tansyandrook.example', 'Joss Tamblyn', Role::Viewer, Actor::commandLine('Imke'));
        $this->team()->accept($token, self::PASSWORD);
        self::assertSame('1', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.person WHERE id = ? AND factor = '' AND left_at IS NULL
            SQL, $editor->id));
    }

    public function testWhoIsLetInAnewIsNowhereElseStillIn(): void
    {
        $sessions = $this->service(OwnSessions::class);
        $taken = $sessions->begin($this->person(), '198.51.100.7', '');
        $this->team()->letIn($this->person()->id, true, Actor::commandLine('Imke'));
        self::assertNull($sessions->see($taken, $this->person()));
    }

    private function team(): TeamEditor
    {
        return $this->service(TeamEditor::class);
    }
}
