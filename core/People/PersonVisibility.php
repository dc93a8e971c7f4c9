<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

enum PersonVisibility: string
{
    case Full = 'full';
    case Masked = 'masked';
    case Hidden = 'hidden';
}
