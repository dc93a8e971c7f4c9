<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

/** What a part of the sentence that says who sees an item is about. */
enum VisibilityKind: string
{
    case Everybody = 'everybody';
    case Sections = 'sections';
    case Roles = 'roles';
    case Groups = 'groups';
    case Labels = 'labels';
    case Dates = 'dates';
    /** Its parts are joined by "and". */
    case All = 'all';
    /** Its parts are joined by "or". */
    case Any = 'any';

    /** Whether it names what people are. */
    public function isAboutPeople(): bool
    {
        return \in_array($this, [self::Sections, self::Groups, self::Roles, self::Labels], true);
    }
}
