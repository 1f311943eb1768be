<?php

declare(strict_types=1);

namespace Lantern\Workbench\Queues;

use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Exception\MessageDecodingFailedException;
use Symfony\Component\Messenger\Transport\Serialization\SerializerInterface;

/** Makes of what cannot be read a message that says so: else each such row would end the worker that takes it. */
final readonly class ReadableMessages implements SerializerInterface
{
    public function __construct(private SerializerInterface $inner)
    {
        RenamedMessages::know();
    }

    /** @param array{body: string, headers?: array<string, string>} $encodedEnvelope as in the contract */
    public function decode(array $encodedEnvelope): Envelope
    {
        try {
            return $this->inner->decode($encodedEnvelope);
        } catch (MessageDecodingFailedException $failure) {
            return new Envelope(new UnreadableMessage($failure->getMessage()));
        }
    }

    /** @return array{body: string, headers?: array<string, string>} as in the contract */
    public function encode(Envelope $envelope): array
    {
        return $this->inner->encode($envelope);
    }
}
