<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\People\Repository\AccountRecords;
use MintDoor\People\Repository\FindableNames;
use MintDoor\People\Repository\People;
use MintDoor\Shared\Locks;
use Psr\EventDispatcher\EventDispatcherInterface;

/**
 * Writes names, number and address of somebody, and all they are found by; other rooms are told, and do the same for
 * what they keep of it. Runs inside a transaction.
 */
final readonly class PersonFacts
{
    public function __construct(
        private People $people,
        private AccountRecords $accounts,
        private FindableNames $names,
        private Locks $locks,
        private EventDispatcherInterface $events,
    ) {}

    /**
     * @param 'erased'|'merged'|'taken-back'|null $gone why they are in the directory no more: then nothing finds them
     */
    public function write(string $id, Facts $facts, ?string $gone = null, ?string $into = null): void
    {
        $this->locks->people([$id], alone: true);
        $person = $this->people->locked($id);
        $moved = $person->email !== $facts->email;
        $login = $this->accounts->find($id)?->login;
        $terms = $this->names->replace($person, $facts, null === $gone, $login);
        $person->describe($facts, $terms);
        $person->leave($gone, null === $into ? null : $this->people->known($into));
        ++$person->version;
        $this->people->flush();
        $alike = AlikeNumber::of($person->kind, $person->division->id, $person->level);
        $this->events->dispatch(new FactsChanged($id, new FoundBy($person->sortName, $terms, $alike), $moved));
    }
}
