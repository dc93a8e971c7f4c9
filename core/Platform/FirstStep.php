<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What a platform needs before its first class, in the order in which it is mostly done. */
enum FirstStep: string
{
    case Name = 'name';
    case Language = 'language';
    case Divisions = 'divisions';
    case Terms = 'terms';
    case Numbers = 'numbers';
    case Roles = 'roles';
    case Mail = 'mail';
    case People = 'people';
    case Site = 'site';
}
