<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** A room after this one that keeps something about people: it is emptied when somebody is erased. */
#[AutoconfigureTag]
interface ErasesTraces
{
    /** Runs inside the transaction that erases them. */
    public function erase(Traces $traces): void;
}
