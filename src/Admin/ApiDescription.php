<?php

declare(strict_types=1);

namespace Lantern\Admin;

use OpenApi\Generator;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Describes the API from the attributes and types of the classes in this folder. */
final readonly class ApiDescription
{
    public function __construct(#[Autowire('%kernel.project_dir%/src/Admin')] private string $folder)
    {
    }

    public function json(): string
    {
        $openApi = Generator::scan([$this->folder], ['version' => '3.1.0']) ?? throw new \LogicException('The API has no description.');

        foreach ($openApi->components->schemas as $schema) {
            // What the API gives is always whole; only what it takes may leave something out.
            if (!str_ends_with($schema->schema, 'Input') && 'Problem' !== $schema->schema) {
                $schema->required = array_map(static fn (\OpenApi\Annotations\Property $property): string => $property->property, $schema->properties);
            }
        }

        return $openApi->toJson(\JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE);
    }
}
