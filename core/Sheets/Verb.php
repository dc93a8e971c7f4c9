<?php

declare(strict_types=1);

namespace MintDoor\Core\Sheets;

enum Verb: string
{
    case LetIn = 'let-in';
    case ChangeRole = 'change-role';
    case TakeOut = 'take-out';
    case BringBack = 'bring-back';
}
