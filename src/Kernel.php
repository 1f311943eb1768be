<?php

declare(strict_types=1);

namespace Lantern;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;
use Symfony\Component\Routing\Loader\Configurator\RoutingConfigurator;

/**
 * One program, two origins: the storefront owns its whole path space and carries no more than it
 * needs to answer a visitor; the management interface, and the console with it, has the rest.
 */
final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    public function __construct(string $environment, bool $debug, private readonly string $origin)
    {
        parent::__construct($environment, $debug);
    }

    public function registerBundles(): iterable
    {
        yield new \Symfony\Bundle\FrameworkBundle\FrameworkBundle();
        yield new \Symfony\Bundle\TwigBundle\TwigBundle();
        yield new \Symfony\Bundle\MonologBundle\MonologBundle();
        yield new \Doctrine\Bundle\DoctrineBundle\DoctrineBundle();
        if ('admin' === $this->origin) {
            yield new \Symfony\Bundle\SecurityBundle\SecurityBundle();
            yield new \Doctrine\Bundle\MigrationsBundle\DoctrineMigrationsBundle();
        }
    }

    public function getCacheDir(): string
    {
        return $this->stateDir().'/cache/'.$this->environment.'/'.$this->origin;
    }

    public function getLogDir(): string
    {
        return $this->stateDir().'/log';
    }

    protected function configureContainer(ContainerConfigurator $container): void
    {
        $container->import('../config/services.php');
        $container->import('../config/packages.php');
        $container->import("../config/origin/{$this->origin}.php");
    }

    protected function configureRoutes(RoutingConfigurator $routes): void
    {
        if ('admin' === $this->origin) {
            $routes->import('../src/Admin/', 'attribute');
        }
    }

    private function stateDir(): string
    {
        $dir = $_SERVER['LANTERN_VAR'] ?? null;

        return \is_string($dir) && '' !== $dir ? $dir : $this->getProjectDir().'/var';
    }
}
