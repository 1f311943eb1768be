<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** One thing that is wrong. `FindingKind` says which details there are; `FindingWords` makes the sentence. */
final readonly class Finding
{
    /** The same on both copies, and for as long as it is not mended. */
    public string $id;

    /**
     * @param array<string, string|int> $details
     * @param list<string>              $met     addresses whose visitors meet it
     * @param string                    $apart   tells it from others of the kind about the same subject
     * @param string|null               $id      of one that is kept
     */
    public function __construct(
        public FindingKind $kind,
        public Subject $subject,
        public array $details = [],
        public array $met = [],
        private string $apart = '',
        ?string $id = null,
    ) {
        $this->id = $id ?? substr(hash('sha256', implode("\0", [$kind->value, $subject->type->value, $subject->id, $apart])), 0, 20);
    }

    /** Found once more in the same text. */
    public function again(): self
    {
        return new self($this->kind, $this->subject, ['times' => $this->times() + 1] + $this->details, $this->met, $this->apart);
    }

    public function times(): int
    {
        return (int) ($this->details['times'] ?? 1);
    }

    public function detail(string $name): string
    {
        return (string) ($this->details[$name] ?? '');
    }
}
