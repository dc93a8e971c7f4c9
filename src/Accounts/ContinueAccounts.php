<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Changes\ContinuesLists;
use Symfony\Component\Messenger\MessageBusInterface;

/** Goes on with a change list that makes accounts. */
final readonly class ContinueAccounts implements ContinuesLists
{
    public function __construct(private MessageBusInterface $bus) {}

    public static function kind(): string
    {
        return 'accounts';
    }

    public function continue(string $changeList): void
    {
        $this->bus->dispatch(new MakeAccounts($changeList));
    }
}
