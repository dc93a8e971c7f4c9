<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;
use MintDoor\Weeks\ClashShown;

/** Schema `ClashedPerson`: somebody who is wanted in two places at once. */
final readonly class ClashedPerson
{
    /**
     * @param list<ClashShown> $clashes to come, the first one first
     * @param ?ClashMeant      $meant   null where nobody said that it is meant: hours were changed since, or a door
     *     let them in
     */
    public function __construct(public Somebody $person, public array $clashes, public ?ClashMeant $meant) {}
}
