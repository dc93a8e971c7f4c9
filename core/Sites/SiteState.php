<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

enum SiteState: string
{
    case Draft = 'draft';
    case Open = 'open';
    case Closed = 'closed';
}
