<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Answer\Answer;

/** A response that needs no framework to be sent. */
final readonly class EarlyResponse
{
    /** @param array<string, string> $headers */
    public function __construct(public int $status, public array $headers, public string $body, public Answer $answer)
    {
    }

    public static function redirect(Answer $answer, \DateTimeImmutable $now): self
    {
        return new self($answer->status, ['Location' => (string) $answer->location, 'Cache-Control' => AnswerHeaders::cacheControl($answer, $now)] + AnswerHeaders::safety(), '', $answer);
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
