<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

enum EffectKind: string
{
    case GiveGrant = 'give-grant';
    case PutOverride = 'put-override';
    case EndOverride = 'end-override';
}
