<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\FirstPasswords;
use MintDoor\People\FactsChanged;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** A link that went to another address than somebody's is over. */
#[AsEventListener]
final readonly class LinksOfBefore
{
    public function __construct(private FirstPasswords $links) {}

    public function __invoke(FactsChanged $event): void
    {
        if ($event->moved) {
            $this->links->dropAllOf($event->person);
        }
    }
}
