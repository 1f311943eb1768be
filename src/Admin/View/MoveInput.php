<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** The shape of a move in a menu; MoveCodec reads it. */
#[OA\Schema(
    schema: 'MoveInput',
    required: ['type'],
    properties: [
        new OA\Property(property: 'type', type: 'string', enum: ['insert', 'remove', 'lift', 'gather', 'relocate', 'shift', 'rewrite', 'together']),
        new OA\Property(property: 'entryId', type: 'string', description: 'For remove, lift, relocate and shift'),
        new OA\Property(property: 'direction', type: 'string', enum: ['up', 'down', 'in', 'out'], description: 'For shift'),
        new OA\Property(property: 'entry', ref: '#/components/schemas/EntryInput', description: 'For insert, gather and rewrite'),
        new OA\Property(property: 'at', ref: '#/components/schemas/PositionInput', description: 'For insert and gather'),
        new OA\Property(property: 'to', ref: '#/components/schemas/PositionInput', description: 'For relocate; counted without the entry itself'),
        new OA\Property(property: 'count', type: 'integer', description: 'For gather: how many of the following entries go below'),
        new OA\Property(property: 'moves', type: 'array', items: new OA\Items(ref: '#/components/schemas/MoveInput'), description: 'For together: one step made of several'),
    ],
)]
#[OA\Schema(
    schema: 'PositionInput',
    required: ['index'],
    properties: [
        new OA\Property(property: 'parentId', type: 'string', nullable: true, description: 'Null or missing: the first level'),
        new OA\Property(property: 'index', type: 'integer'),
    ],
)]
#[OA\Schema(
    schema: 'TargetInput',
    required: ['kind'],
    properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['place', 'outside', 'contact', 'heading']),
        new OA\Property(property: 'placeId', type: 'string', nullable: true),
        new OA\Property(property: 'part', type: 'string', description: 'An anchor within the place'),
        new OA\Property(property: 'uri', type: 'string'),
    ],
)]
#[OA\Schema(
    schema: 'EntryInput',
    required: ['id', 'target'],
    properties: [
        new OA\Property(property: 'id', type: 'string', description: 'A new UUIDv7 for a new entry'),
        new OA\Property(property: 'target', ref: '#/components/schemas/TargetInput'),
        new OA\Property(property: 'label', type: 'string', nullable: true, maxLength: 200),
        new OA\Property(property: 'children', type: 'array', items: new OA\Items(ref: '#/components/schemas/EntryInput')),
        new OA\Property(property: 'enabled', type: 'boolean'),
        new OA\Property(property: 'audience', type: 'string', enum: ['everyone', 'guests', 'customers']),
        new OA\Property(property: 'from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'until', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'newTab', type: 'boolean'),
        new OA\Property(property: 'note', type: 'string', maxLength: 500),
    ],
)]
final class MoveInput
{
}
