<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Controller\ValueResolverInterface;
use Symfony\Component\HttpKernel\ControllerMetadata\ArgumentMetadata;
use Symfony\Component\HttpKernel\Exception\HttpException;

final class IfMatchReader implements ValueResolverInterface
{
    /** No thing has this version: one that is larger than a database keeps is as stale as any other. */
    private const NEVER = 2_147_483_647;

    /** @return list<int> */
    public function resolve(Request $request, ArgumentMetadata $argument): array
    {
        if ([] === $argument->getAttributesOfType(IfMatch::class)) {
            return [];
        }
        if (1 !== preg_match('/^"(\d+)(?:\.[0-9a-f]{32})?"$/D', $request->headers->get('If-Match', ''), $found)) {
            throw new HttpException(Response::HTTP_PRECONDITION_REQUIRED, 'A change has to say in If-Match which version it was made for.');
        }

        return [\strlen($found[1]) > 10 ? self::NEVER : min((int) $found[1], self::NEVER)];
    }
}
