<?php

declare(strict_types=1);

namespace Lantern\Workbench\Frame;

use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Shop\OpenMark;
use Lantern\Core\Shop\SettingWords;
use Lantern\Core\Shop\Wordmark;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Pieces\PictureReader;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Settings\SettingWriter;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/**
 * Hangs menus in the bays of the frame, makes and removes them, and writes what else the frame shows.
 * Whoever made a change can take it back.
 */
final readonly class FrameEditor
{
    private const MAX_NAME = 200;
    private const MAX_NOTICE = 300;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private BayRecords $bays,
        private EditLog $edits,
        private PictureReader $pictures,
        private SettingWriter $writer,
        private Copies $copies,
        private Locks $locks,
    ) {
    }

    /** @param string|null $menuId null: takes down what hangs there */
    public function hang(string $bayId, ?string $menuId, Actor $by): void
    {
        $this->change($by, function () use ($bayId, $menuId): void {
            $this->refuseUnknownMenu($menuId);
            $this->refuseColumnElsewhere($bayId, $menuId);
            $bay = $this->bays->locked($bayId);
            $bay->menuId = $menuId;
            $bay->fills = $bay->fills && null === $menuId;
        }, null === $menuId ? 'The menu is taken down.' : 'The menu hangs.');
    }

    public function swap(string $oneId, string $otherId, Actor $by): void
    {
        $this->change($by, function () use ($oneId, $otherId): void {
            $one = $this->bays->find($oneId);
            $other = $this->bays->find($otherId);
            if (null === $one || null === $other || $one === $other) {
                throw new Refused('bay', 'Choose two different bays to swap.');
            }
            $this->refuseColumnElsewhere($oneId, $other->menuId);
            $this->refuseColumnElsewhere($otherId, $one->menuId);
            [$one->menuId, $other->menuId] = [$other->menuId, $one->menuId];
            [$one->heading, $other->heading] = [$other->heading, $one->heading];
        }, 'The menus are swapped.');
    }

    public function heading(string $bayId, string $heading, Actor $by): void
    {
        if (mb_strlen(trim($heading)) > self::MAX_NAME) {
            throw new Refused('heading', \sprintf('A heading has at most %d characters.', self::MAX_NAME));
        }
        $this->change($by, function () use ($bayId, $heading): void {
            $this->bays->locked($bayId)->heading = trim($heading);
        }, 'The heading is changed.');
    }

    /**
     * @param string|null $bayId where it hangs at once
     *
     * @return string id of the new menu
     */
    public function make(string $name, ?string $bayId, Actor $by): string
    {
        $id = (new UuidV7())->toRfc4122();
        $this->change($by, function () use ($id, $name, $bayId, $by): void {
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO menu (id, name, position, changed_at, changed_by)
                SELECT ?, ?, COALESCE(max(position), 0) + 1, journal.moment(), ? FROM menu WHERE kind = 'menu'
                SQL, [$id, self::name($name), $by->name]);
            if (null !== $bayId) {
                $bay = $this->bays->locked($bayId);
                $bay->menuId = $id;
                $bay->heading = str_starts_with($bayId, 'footer-') ? self::name($name) : $bay->heading;
            }
        }, 'The menu is made.');

        return $id;
    }

    public function rename(string $menuId, string $name, Actor $by): void
    {
        $this->change($by, function () use ($menuId, $name): void {
            $this->refuseUnknownMenu($menuId);
            $this->connection->executeStatement('UPDATE menu SET name = ? WHERE id = ?', [self::name($name), $menuId]);
        }, 'The menu has another name.');
    }

    /**
     * @param bool $evenIfItHangs else a menu that hangs somewhere is not removed, and where is said
     */
    public function remove(string $menuId, bool $evenIfItHangs, Actor $by): void
    {
        $this->change($by, function () use ($menuId, $evenIfItHangs): void {
            $this->refuseUnknownMenu($menuId);
            $bays = $this->bays->whereHangs($menuId);
            if ([] !== $bays && !$evenIfItHangs) {
                throw new Refused(
                    'menu',
                    \sprintf(
                        'This menu hangs in the %s. Visitors would find nothing there.',
                        implode(' and the ', array_map(static fn (BayRecord $bay): string => lcfirst(Bay::words($bay->id)), $bays)),
                    ),
                );
            }
            foreach ($bays as $bay) {
                $bay->menuId = null;
            }
            $this->connection->executeStatement('DELETE FROM entry WHERE menu_id = ?', [$menuId]);
            $this->connection->executeStatement('DELETE FROM menu WHERE id = ?', [$menuId]);
        }, 'The menu is removed.');
    }

    public function notice(string $words, Actor $by): void
    {
        if (mb_strlen(trim($words)) > self::MAX_NOTICE) {
            throw new Refused('notice', \sprintf('A notice has at most %d characters, or nobody reads it. Shorten it.', self::MAX_NOTICE));
        }
        $this->setting('notice', trim($words), $by);
    }

    /** @param string $words empty: © and the company */
    public function lastLine(string $words, Actor $by): void
    {
        if (mb_strlen(trim($words)) > self::MAX_NOTICE) {
            throw new Refused('words', \sprintf('The last line has at most %d characters. Shorten it.', self::MAX_NOTICE));
        }
        $this->setting(SettingWords::LAST_LINE, trim($words), $by);
    }

    /**
     * Puts a picture of the shop in the place of its name.
     *
     * @param string $picture its file name; empty: its name
     */
    public function wordmark(string $picture, Actor $by): void
    {
        if ('' === $picture) {
            $this->setting(HeaderShape::WORDMARK, '', $by);

            return;
        }
        $size = $this->pictures->size($picture)
            ?? throw new Refused('words', 'This is no picture that can be read. Choose an SVG, PNG or WebP of the shop.');
        $this->setting(HeaderShape::WORDMARK, Wordmark::kept($picture, $size->width, $size->height), $by);
    }

    public function withoutMenu(HeaderWithoutMenu $shows, Actor $by): void
    {
        $this->setting(HeaderWithoutMenu::SETTING, $shows->value, $by);
    }

    /**
     * Shapes the header by one of its settings.
     *
     * @throws Refused
     */
    public function header(string $setting, string $value, Actor $by): void
    {
        $checked = HeaderShape::checked($setting, $value);
        // A mark of one's own is there as soon as it is drawn, and none that was not.
        $more = HeaderShape::MARK_DRAWN === $setting
            ? [HeaderShape::MARK => '' === $checked ? OpenMark::Angle->value : OpenMark::Drawn->value]
            : [];
        $this->change($by, function () use ($setting, $checked, $more): void {
            if (
                HeaderShape::MARK === $setting
                && OpenMark::Drawn->value === $checked
                && '' === $this->copies->workbench->settings->all()->get(HeaderShape::MARK_DRAWN)
            ) {
                throw new Refused('words', 'No mark is drawn yet. Paste its SVG first.');
            }
            $this->writer->write([$setting => $checked] + $more);
        }, 'The frame is changed.');
    }

    private function setting(string $id, string $value, Actor $by): void
    {
        $this->settings([$id => $value], $by);
    }

    /** @param array<string, string> $values by setting */
    private function settings(array $values, Actor $by): void
    {
        $this->change($by, fn () => $this->writer->write($values), 'The frame is changed.');
    }

    private function change(Actor $by, \Closure $change, string $sentence): void
    {
        $this->edits->run($by, Subject::Frame, function () use ($change, $sentence): string {
            $this->locks->take(Lock::Frame);
            $this->locks->take(Lock::Settings);
            $change();

            return $sentence;
        });
    }

    private function refuseUnknownMenu(?string $menuId): void
    {
        if (null !== $menuId && false === $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM menu WHERE kind IN ('menu', 'column') AND id = ?
            SQL, [$menuId])) {
            throw NotThere::menu();
        }
    }

    /** A column of pieces stands in the footer and nowhere else. */
    private function refuseColumnElsewhere(string $bayId, ?string $menuId): void
    {
        if (
            null !== $menuId
            && !str_starts_with($bayId, 'footer-')
            && false !== $this->connection->fetchOne("SELECT 1 FROM menu WHERE kind = 'column' AND id = ?", [$menuId])
        ) {
            throw new Refused('bay', 'A column of pieces stands in the footer. Choose one of its columns.');
        }
    }

    private static function name(string $name): string
    {
        $name = trim($name);
        if ('' === $name || mb_strlen($name) > self::MAX_NAME) {
            throw new Refused(
                'name',
                \sprintf('A menu has a name of 1 to %d characters, which only you and your colleagues read.', self::MAX_NAME),
            );
        }

        return $name;
    }
}
