<?php

declare(strict_types=1);

namespace Lantern\Workbench\Shop;

use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Core\Stale;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Settings\SettingWriter;

/** The shop's details on the workbench. */
final readonly class ShopDetails
{
    public function __construct(
        private Copies $copies,
        private EditLog $edits,
        private SettingWriter $writer,
        private AuditLog $audit,
        private Locks $locks,
    ) {
    }

    /** @return array<string, string> every detail by name; empty where it was never typed */
    public function all(): array
    {
        $kept = $this->copies->workbench->settings->all();
        $all = [];
        foreach (ShopDetail::cases() as $detail) {
            $all[$detail->value] = $kept->get($detail->value);
        }

        return $all;
    }

    /**
     * Tells one state of the details from another, for whoever changes them.
     *
     * @param array<string, string> $details
     */
    public static function version(array $details): int
    {
        return crc32(json_encode($details, \JSON_THROW_ON_ERROR)) & 0x7FFFFFFF;
    }

    /**
     * @param array<string, string> $typed by name
     *
     * @throws Refused|Stale
     */
    public function change(int $version, array $typed, Actor $by): void
    {
        $checked = [];
        foreach ($typed as $name => $value) {
            $detail = ShopDetail::tryFrom($name) ?? throw new Refused($name, 'The shop has no such detail.');
            $checked[$name] = $detail->checked($value);
        }
        $this->edits->run($by, Subject::Frame, function () use ($version, $checked, $by): string {
            $this->locks->take(Lock::Settings);
            $this->copies->workbench->settings->forget();
            $now = self::version($this->all());
            if ($now !== $version) {
                throw new Stale($now);
            }
            $this->writer->write($checked);
            $this->audit->add($by, 'settings', ['which' => implode(', ', array_keys($checked))]);

            return 'The details of the shop';
        });
    }
}
