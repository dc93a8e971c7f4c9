<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\People\Person;

/** People who differ in nothing that an answer depends on: most of a site are alike, and are looked at once. */
final readonly class Alike
{
    /**
     * @param Person                 $person   one of them
     * @param Timeline               $timeline theirs
     * @param non-empty-list<string> $ids      of all of them
     */
    public function __construct(public Person $person, public Timeline $timeline, public array $ids) {}
}
