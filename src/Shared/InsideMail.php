<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Says whether messages stay in the platform, where its administrators read them, or go outside. */
interface InsideMail
{
    public function staysInside(): bool;
}
