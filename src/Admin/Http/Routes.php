<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\HttpFoundation\Request;

/** What kind of thing a request was matched with. Paths can be written in many ways; a route is one. */
final class Routes
{
    /** A default of routes that take a file, as a form. */
    public const TAKES_FILE = '_takes_file';

    /** Whether a resource of the API answers it. */
    public static function isApi(Request $request): bool
    {
        $controller = $request->attributes->get('_controller');

        return \is_string($controller)
            && str_starts_with($controller, 'Lantern\\Admin\\')
            && !is_subclass_of(strstr($controller.'::', '::', true) ?: '', Page::class);
    }

    public static function name(Request $request): string
    {
        $name = $request->attributes->get('_route');

        return \is_string($name) ? $name : '';
    }

    public static function takesJson(Request $request): bool
    {
        return !$request->isMethodSafe() && !$request->attributes->getBoolean(self::TAKES_FILE);
    }

    /** Whether whoever asks expects a problem rather than a page, where nothing was matched. */
    public static function wantsProblem(Request $request): bool
    {
        return self::isApi($request)
            || !$request->attributes->has('_controller')
            && str_starts_with(rawurldecode($request->getPathInfo()), '/api');
    }
}
