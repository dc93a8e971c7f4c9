<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Holds something sealed, and seals it anew under the present secret. */
#[AutoconfigureTag]
interface Reseals
{
    public function reseal(): Resealed;
}
