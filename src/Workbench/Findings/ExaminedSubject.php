<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Core\Finding\Examinable;
use Lantern\Core\Finding\Examination;
use Lantern\Core\Finding\Finding;

/** One part of the shop that was looked at, as it is kept. */
final readonly class ExaminedSubject
{
    /**
     * @param list<string>               $reaches      keys of what it asked for: it is looked at again when one of these changes
     * @param list<string>               $leads        ids of the places that it leads to
     * @param list<string>               $outsideLinks
     * @param list<array<string, mixed>> $findings     as rows, by column
     */
    private function __construct(
        public string $subject,
        public array $reaches,
        public array $leads,
        public array $outsideLinks,
        public ?\DateTimeImmutable $againAt,
        public array $findings,
    ) {
    }

    public static function of(Examinable $content, Examination $examination): self
    {
        $content->examine($examination);

        return new self(
            $content->key(),
            $examination->shop->reaches(),
            $examination->leads(),
            $examination->shop->outsideLinks(),
            $examination->shop->nextChange(),
            array_map(static fn (Finding $finding): array => FoundRow::of($finding, $content->key()), $examination->findings()),
        );
    }

    /** @return array<string, mixed> by column */
    public function row(): array
    {
        return [
            'subject' => $this->subject,
            'reaches' => $this->reaches,
            'leads' => $this->leads,
            'again_at' => $this->againAt?->format(\DATE_ATOM),
        ];
    }
}
