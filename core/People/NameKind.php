<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** What a name somebody has besides is. */
enum NameKind: string
{
    /** Of before a marriage, or another change. */
    case Former = 'former';
    /** As a passport or a register has it. */
    case Passport = 'passport';
    /** In another script. */
    case Script = 'script';
    case Stage = 'stage';
    case Other = 'other';
}
