<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Core\Refused;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Twig\Environment;

/** The few pages that are not views of the interface: those through which one comes in. */
final readonly class AdminPages
{
    public const TOKEN = 'door';

    public function __construct(
        private Environment $twig,
        private CsrfTokenManagerInterface $csrf,
        #[Autowire('%kernel.project_dir%/public/admin/.vite/manifest.json')] private string $manifestFile,
    ) {
    }

    /** @param array<string, mixed> $data */
    public function render(string $template, array $data = [], int $status = 200): Response
    {
        /** @var array<string, array{file: string, css: list<string>}> $manifest */
        $manifest = json_decode((string) file_get_contents($this->manifestFile), true, flags: \JSON_THROW_ON_ERROR);
        $main = $manifest['web/admin/src/main.tsx'];

        return new Response(
            $this->twig->render(
                "admin/$template.html.twig",
                $data + ['script' => '/'.$main['file'], 'styles' => $main['css'], 'error' => null],
            ),
            $status,
            ['Cache-Control' => 'no-store'],
        );
    }

    /** What a link that leads nowhere any more says. */
    public function ended(string $heading, string $says, int $status = 404): Response
    {
        return $this->render('door', ['heading' => $heading, 'says' => $says], $status);
    }

    /** Whether a form was sent from a page of this program. */
    public function isOwn(Request $request): bool
    {
        return $this->csrf->isTokenValid(new CsrfToken(self::TOKEN, self::field($request, '_csrf_token')));
    }

    /**
     * What was typed twice, alike, into a form of this program.
     *
     * @throws Refused
     */
    public function newPassword(Request $request): string
    {
        if (!$this->isOwn($request)) {
            throw new Refused('password', 'This page was too old. Type the password again.');
        }
        $password = self::field($request, 'password');

        return $password === self::field($request, 'again')
            ? $password
            : throw new Refused('again', 'The two passwords are not the same. Type both again.');
    }

    /** A field of a form; empty where it is missing, or no text. */
    public static function field(Request $request, string $name): string
    {
        $value = $request->request->all()[$name] ?? '';

        return \is_string($value) && mb_check_encoding($value, 'UTF-8') ? $value : '';
    }
}
