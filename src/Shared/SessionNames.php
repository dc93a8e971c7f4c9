<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\AsDecorator;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Session\Storage\SessionStorageFactoryInterface;
use Symfony\Component\HttpFoundation\Session\Storage\SessionStorageInterface;

/** Under HTTPS the cookie of a session is bound to this host and path by its name (RFC 6265bis, `__Host-`). */
#[AsDecorator('session.storage.factory')]
final readonly class SessionNames implements SessionStorageFactoryInterface
{
    public const SECURE = '__Host-mint_door';

    public function __construct(private SessionStorageFactoryInterface $inner) {}

    public function createStorage(?Request $request): SessionStorageInterface
    {
        $storage = $this->inner->createStorage($request);
        if (true === $request?->isSecure()) {
            $storage->setName(self::SECURE);
        }

        return $storage;
    }
}
