<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Admin\Http\ApiDescription;
use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Tests\Fuzz\Hostile;

/** What the description says of inputs is what is enforced: it is made from the same constraints. */
final class ApiDescriptionTest extends ApiTestCase
{
    public function testEveryLengthThatIsDescribedIsEnforced(): void
    {
        $this->signIn('owner');
        $document = $this->service(ApiDescription::class)->document();
        /** @var array<string, array<string, mixed>> $schemas */
        $schemas = (array) $this->at($document, 'components', 'schemas');
        $hostile = new Hostile(1, $schemas, ['place' => [DemoId::of('pages/makers')]]);
        $seen = 0;
        foreach ((array) $this->at($document, 'paths') as $path => $operations) {
            foreach ((array) $operations as $verb => $operation) {
                if (
                    !\in_array($verb, ['post', 'put', 'patch'], true)
                    || !\is_array($operation)
                    || !\is_array($operation['requestBody'] ?? null)
                ) {
                    continue;
                }
                $content = $this->at($operation, 'requestBody', 'content');
                $schema = \is_array($content) && isset($content['application/json'])
                    ? $this->at($content, 'application/json', 'schema')
                    : null;
                $name = \is_array($schema) && \is_string($schema['$ref'] ?? null) ? basename($schema['$ref']) : '';
                foreach ((array) ($schemas[$name]['properties'] ?? []) as $field => $property) {
                    $most = \is_array($property) ? $property['maxLength'] ?? null : null;
                    if (!\is_int($most)) {
                        continue;
                    }
                    ++$seen;
                    $body = $hostile->value($schema);
                    self::assertIsArray($body);
                    /** @var array<string, mixed> $body */
                    $body = [(string) $field => str_repeat('n', $most + 1)] + $body;
                    $problem = $this->send(
                        strtoupper($verb),
                        (string) preg_replace('/\{\w+\}/', DemoId::of('pages/makers'), (string) $path),
                        $body,
                        '"1"',
                    );
                    self::assertSame(
                        [422, $field],
                        [$this->code(), \is_array($problem) ? $problem['field'] ?? '' : ''],
                        "$verb $path: ".json_encode($problem),
                    );
                }
            }
        }
        self::assertGreaterThan(20, $seen);
    }
}
