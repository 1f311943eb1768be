<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Http\Page;
use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Workbench\Shop\FirstStart;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/**
 * The first page of a shop in which nobody works yet. Whoever fills it in owns the shop; so it stands open only where whoever runs
 * the program has said so, and is a command elsewhere.
 */
#[AsController]
final readonly class FirstStartPage implements Page
{
    private const FIELDS = ['shop', 'zone', 'name', 'mail'];

    public function __construct(
        private AdminPages $pages,
        private FirstStart $first,
        private SessionStart $start,
        #[Autowire(env: 'bool:default::LANTERN_FIRST_START')] private bool $isOpen,
    ) {
    }

    #[Route('/first-start', name: 'first_start', methods: ['GET', 'POST'])]
    public function begin(Request $request): Response
    {
        if (!$this->first->isAwaited()) {
            return new RedirectResponse('/');
        }
        if (!$this->isOpen) {
            return $this->pages->render(
                'door',
                [
                    'heading' => 'Nobody works here yet',
                    'says' => 'Whoever runs this server names the shop and its first owner: bin/console lantern:shop NAME --owner MAIL.',
                ],
                403,
            );
        }
        $typed = [];
        foreach (self::FIELDS as $field) {
            $typed[$field] = AdminPages::field($request, $field);
        }
        $zones = \DateTimeZone::listIdentifiers();
        if (!$request->isMethod('POST')) {
            return $this->pages->render('first_start', ['typed' => $typed, 'zones' => $zones]);
        }
        try {
            $this->first->begin($typed['shop'], $typed['zone'], $typed['name'], $typed['mail'], $this->pages->newPassword($request));
        } catch (Refused $refused) {
            return $this->pages->render('first_start', ['typed' => $typed, 'zones' => $zones, 'error' => $refused->getMessage()], 422);
        } catch (NotThere) {
            return new RedirectResponse('/sign-in', Response::HTTP_SEE_OTHER);
        }
        $this->start->signIn($request, $typed['mail']);

        return new RedirectResponse('/', Response::HTTP_SEE_OTHER);
    }
}
