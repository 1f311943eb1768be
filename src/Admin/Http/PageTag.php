<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Doctrine\DBAL\Connection;
use Lantern\Admin\Account\Account;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/**
 * What a page changes itself is no news to it: its changes carry the name that the page gave itself for as long as it is open. And
 * what is found wrong after an edit is told with whose edit it was.
 */
#[AsEventListener]
final readonly class PageTag
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private TokenStorageInterface $tokens,
    ) {
    }

    public function __invoke(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if (Routes::isApi($request) && !$request->isMethodSafe()) {
            $page = $request->headers->get('X-Page', '');
            // The connection outlives the request: what is not told apart is told to nobody's page, and not to the last one's.
            $tag = 1 === preg_match('/^[\w-]{8,64}$/D', $page) ? $page : '';
            $user = $this->tokens->getToken()?->getUser();
            $this->connection->executeStatement(<<<'SQL'
                SELECT set_config('lantern.page', ?, false), set_config('lantern.person', ?, false)
                SQL, [$tag, $user instanceof Account ? $user->person->name : '']);
        }
    }
}
