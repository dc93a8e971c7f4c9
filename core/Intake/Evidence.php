<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** Why a line may mean somebody, the strongest first. */
enum Evidence: string
{
    case Identifier = 'identifier';
    case FullName = 'full-name';
    case PreferredName = 'preferred-name';
    case FormerName = 'former-name';
    /** Of several of that name the only one the site is for. */
    case OnlyOneForTheSite = 'only-one-for-the-site';
    case Initials = 'initials';
    /** Part of a name of several words, or words the directory does not have. */
    case PartOfTheName = 'part-of-the-name';
    case SmallDifference = 'small-difference';

    public function strength(): int
    {
        return \count(self::cases()) - (int) array_search($this, self::cases(), true);
    }
}
