<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

enum EffectKind: string
{
    case GivePass = 'give-pass';
    case PutMark = 'put-mark';
    case EndMark = 'end-mark';
}
