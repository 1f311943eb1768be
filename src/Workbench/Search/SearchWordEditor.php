<?php

declare(strict_types=1);

namespace Lantern\Workbench\Search;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Refused;
use Lantern\Core\Search\SearchWord;
use Lantern\Core\Stale;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Settings\SettingWriter;

/** Leads words that visitors look for to a place at once, or lets them be looked for again. */
final readonly class SearchWordEditor
{
    public function __construct(
        private Copies $copies,
        private EditLog $edits,
        private SettingWriter $writer,
        private Locks $locks,
    ) {
    }

    /** @param array<string, string> $settings of the shop */
    public static function version(array $settings): int
    {
        return crc32(json_encode(SearchWord::all($settings), \JSON_THROW_ON_ERROR)) & 0x7FFFFFFF;
    }

    /**
     * @param string|null $placeId null: they are looked for again
     *
     * @throws Refused|Stale|NotThere
     */
    public function lead(string $words, ?string $placeId, int $version, Actor $by): void
    {
        $setting = SearchWord::setting($words);
        $place = null === $placeId ? null : $this->copies->workbench->places->get($placeId) ?? throw NotThere::place();
        if (PlaceKind::Search === $place?->kind) {
            throw new Refused('placeId', 'The search itself is where they come from. Choose another place.');
        }
        $this->edits->run($by, Subject::Frame, function () use ($setting, $placeId, $version, $words, $place): string {
            $this->locks->take(Lock::Settings);
            $this->copies->workbench->settings->forget();
            $settings = $this->copies->workbench->settings->all()->values;
            $now = self::version($settings);
            if ($now !== $version) {
                throw new Stale($now);
            }
            if (
                null !== $placeId
                && !isset(SearchWord::all($settings)[substr($setting, \strlen(SearchWord::SETTING))])
                && \count(SearchWord::all($settings)) >= SearchWord::MOST
            ) {
                throw new Refused(
                    'words',
                    \sprintf('There are %d search words already. Take out one that nobody types.', SearchWord::MOST),
                );
            }
            $this->writer->write([$setting => $placeId ?? '']);

            return null === $place ? "“{$words}” is looked for again." : "Who looks for “{$words}” is led to “{$place->title}”.";
        });
    }
}
