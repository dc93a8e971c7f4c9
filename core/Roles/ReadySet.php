<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** Roles to begin with, by what kind of place a platform is for. */
enum ReadySet: string
{
    case School = 'school';
    case HigherEducation = 'higher-education';
    case Company = 'company';
}
