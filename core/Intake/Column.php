<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** What a column of a pasted table holds. */
enum Column: string
{
    case Name = 'name';
    case Given = 'given';
    case Family = 'family';
    case Number = 'number';
    case Address = 'address';
    case Login = 'login';
    case Level = 'level';
    case Division = 'division';
    case Kind = 'kind';
    case Section = 'section';
    case Remark = 'remark';
    case Place = 'place';
}
