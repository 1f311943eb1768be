<?php

declare(strict_types=1);

namespace Lantern\Node\Early;

use Lantern\Core\Address\Address;
use Lantern\Node\Http\AnswerHeaders;

/** A response that needs no framework to be sent. */
final readonly class EarlyResponse
{
    /**
     * @param array<string, string> $headers
     * @param Address|null          $visited what was asked for
     */
    public function __construct(public int $status, public array $headers, public string $body, public ?Address $visited)
    {
    }

    /** @param int $kept for how long it may be kept, in seconds */
    public static function redirect(int $status, string $location, int $kept, ?Address $visited): self
    {
        return new self(
            $status,
            ['Location' => $location, 'Cache-Control' => AnswerHeaders::cacheControl($kept), 'Referrer-Policy' => AnswerHeaders::REFERRER],
            '',
            $visited,
        );
    }

    public function send(bool $withBody): void
    {
        http_response_code($this->status);
        foreach ($this->headers as $name => $value) {
            header("$name: $value");
        }
        if ($withBody) {
            echo $this->body;
        }
    }
}
