<?php

declare(strict_types=1);

namespace Lantern\Workbench\Filters;

use Lantern\Core\Filter\ChoiceOrder;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Settings\SettingWriter;

/** Chooses and words the filters of the shop's listings. */
final readonly class FilterEditor
{
    public function __construct(
        private Copies $copies,
        private EditLog $edits,
        private SettingWriter $writer,
        private Locks $locks,
    ) {
    }

    /**
     * Tells one state of all that is set about filters from another, for whoever changes it.
     *
     * @param array<string, string> $settings of the shop
     */
    public static function version(array $settings): int
    {
        $own = array_filter($settings, Filters::isSetting(...), \ARRAY_FILTER_USE_KEY);
        ksort($own, \SORT_STRING);

        return crc32(json_encode($own, \JSON_THROW_ON_ERROR)) & 0x7FFFFFFF;
    }

    /**
     * @param bool              $ofSearch whether those of search results are meant; else those of all listings
     * @param list<string>|null $keys     null: what a shop begins with; of search results: those of all listings
     *
     * @throws Refused|Stale
     */
    public function choose(bool $ofSearch, int $version, ?array $keys, Actor $by): void
    {
        $chosen = null === $keys ? '' : Filters::chosen($keys);
        $this->change(
            $version,
            $by,
            $ofSearch ? 'The filters of search results' : 'The filters of all listings',
            static fn (): array => [$ofSearch ? Filters::SEARCH : Filters::EVERYWHERE => $chosen],
        );
    }

    /**
     * @param list<string>|null     $byHand
     * @param array<string, string> $labels
     * @param array<string, string> $same
     *
     * @see Lantern\Core\Filter\FilterSetting::changed()
     *
     * @throws Refused|Stale
     */
    public function word(
        string $key,
        int $version,
        Actor $by,
        ?string $label = null,
        ?ChoiceOrder $order = null,
        ?array $byHand = null,
        array $labels = [],
        array $same = [],
    ): void {
        $filter = Filter::named($key);
        $this->change($version, $by, "The filter “{$filter->title()}”", fn (): array => [
            Filters::ONE.$filter->key() => Filters::of($this->copies->workbench->settings->all()->values)
                ->setting($filter->key())
                ->changed($label, $order, $byHand, $labels, $same)
                ->stored(),
        ]);
    }

    /** @param \Closure(): array<string, string> $values by setting */
    private function change(int $version, Actor $by, string $sentence, \Closure $values): void
    {
        $this->edits->run($by, Subject::Frame, function () use ($version, $sentence, $values): string {
            $this->locks->take(Lock::Settings);
            $this->copies->workbench->settings->forget();
            $now = self::version($this->copies->workbench->settings->all()->values);
            if ($now !== $version) {
                throw new Stale($now);
            }
            $this->writer->write($values());

            return $sentence;
        });
    }
}
