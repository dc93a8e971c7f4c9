<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Keeps something for a time only; asked every hour. */
#[AutoconfigureTag]
interface Forgets
{
    public function forget(Keeping $keeping): void;
}
