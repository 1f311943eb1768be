<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/**
 * What is sent to the API is text that a database can keep and that one request can hold: JSON of a decent
 * size and depth, UTF-8 without NUL, in the query as well. It goes by the matched route, not by how the
 * path was written.
 */
#[AsEventListener(event: KernelEvents::REQUEST, priority: 6)]
final readonly class JsonBodies
{
    /** A text has at most 400,000 bytes, and a letter takes up to six in JSON. */
    private const MOST_BYTES = 3_000_000;
    private const MOST_DEPTH = 64;
    /** Objects and lists; a menu of a thousand entries has some five thousand. */
    private const MOST_STRUCTURES = 60_000;
    private const MOST_VALUES = 200_000;

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!Routes::isApi($request)) {
            return;
        }
        $problem = $this->queryProblem($request) ?? (Routes::takesJson($request) ? $this->bodyProblem($request) : null);
        if (null !== $problem) {
            $event->setResponse($problem->response());
        }
        // A field that was left empty says nothing.
        $request->query->replace(array_filter($request->query->all(), static fn (mixed $value): bool => '' !== $value));
    }

    private function queryProblem(Request $request): ?Problem
    {
        // PHP reads invalid UTF-8 and NUL out of a query like anything else.
        $query = rawurldecode($request->server->getString('QUERY_STRING'));

        return mb_check_encoding($query, 'UTF-8') && !str_contains($query, "\0") ? null
            : new Problem(400, 'Not text', 'The query of this request is not UTF-8 text. Type it again with plain letters.');
    }

    private function bodyProblem(Request $request): ?Problem
    {
        $content = $request->getContent();
        if ('' === $content) {
            return null;
        }
        if ('json' !== $request->getContentTypeFormat()) {
            return new Problem(
                415,
                'Not JSON',
                'The body of this request has to be JSON, and to say so in Content-Type: application/json.',
            );
        }
        if (
            \strlen($content) > self::MOST_BYTES
            || substr_count($content, '{') + substr_count($content, '[') > self::MOST_STRUCTURES
            || substr_count($content, ',') > self::MOST_VALUES
        ) {
            return new Problem(413, 'Too large', 'This is more than one request can hold. Send it in parts. Nothing was changed.');
        }
        try {
            $data = json_decode($content, true, self::MOST_DEPTH, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $error) {
            return new Problem(400, 'Not JSON', \JSON_ERROR_DEPTH === $error->getCode()
                ? \sprintf('The body of this request has more than %d levels. Send a flatter one.', self::MOST_DEPTH)
                : 'The body of this request is not JSON.');
        }
        if (!\is_array($data) || array_is_list($data) && [] !== $data) {
            return new Problem(422, 'Not possible like this', 'An object with named fields is expected here.', 'body');
        }
        $shape = BodyShape::problem($request, $data);
        // Nothing else stands for it in JSON (RFC 8259, 7).
        $field = null === $shape && str_contains($content, '\u0000') ? self::nul($data, '') : null;

        return null === $field
            ? $shape
            : new Problem(
                422,
                'Not possible like this',
                \sprintf('“%s” holds a character that is no text (NUL). Take it out.', $field),
                $field,
            );
    }

    /** @param array<mixed> $data the field that holds a NUL, by its path; null where none does */
    private static function nul(array $data, string $path): ?string
    {
        foreach ($data as $name => $value) {
            $field = \is_int($name) ? $path : ltrim($path.'.'.str_replace("\0", '', $name), '.');
            if (\is_string($name) && str_contains($name, "\0") || \is_string($value) && str_contains($value, "\0")) {
                return $field;
            }
            $below = \is_array($value) ? self::nul($value, $field) : null;
            if (null !== $below) {
                return $below;
            }
        }

        return null;
    }
}
