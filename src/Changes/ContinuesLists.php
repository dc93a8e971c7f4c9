<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** A room whose change lists are carried out by workers of its own: goes on with one whose worker is gone. */
#[AutoconfigureTag]
interface ContinuesLists
{
    /** @return string the kind of its change lists, as `change_list.kind` has it */
    public static function kind(): string;

    /** Runs in a transaction. */
    public function continue(string $changeList): void;
}
