<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\People\FactsChanged;
use MintDoor\Roster\Repository\Enrollments;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** Rosters keep by what they sort, find and count people, so that they are read without them. */
#[AsEventListener]
final readonly class NamesInRosters
{
    public function __construct(private Enrollments $enrollments) {}

    public function __invoke(FactsChanged $event): void
    {
        $this->enrollments->describe($event->person, $event->found);
    }
}
