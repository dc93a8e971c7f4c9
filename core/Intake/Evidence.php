<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NameKind;

/** Why a line may mean somebody, the strongest first. */
enum Evidence: string
{
    case Identifier = 'identifier';
    case FullName = 'full-name';
    case PreferredName = 'preferred-name';
    case FormerName = 'former-name';
    case PassportName = 'passport-name';
    /** A name the directory has in another script. */
    case ScriptName = 'script-name';
    case StageName = 'stage-name';
    case OtherName = 'other-name';
    /** The part of an address before the @. */
    case LocalPart = 'local-part';
    /** Particles set aside. */
    case Particles = 'particles';
    /** Written as other letters are transliterated, or names as one. */
    case Transliteration = 'transliteration';
    case Nickname = 'nickname';
    /** Part of a name of several words, or words the directory does not have. */
    case PartOfTheName = 'part-of-the-name';
    case Initials = 'initials';
    case SmallDifference = 'small-difference';
    /** Somebody settled it so here before. */
    case Remembered = 'remembered';
    /** The number that was meant, when it has one wrong digit or two of them swapped. */
    case OneDigitOff = 'one-digit-off';
    /** Of several of that name the only one the site is for. */
    case OnlyOneForTheSite = 'only-one-for-the-site';
    /** Of several of that name the only one of the level or division the row says. */
    case TheRowSays = 'the-row-says';

    public static function ofName(NameKind $kind): self
    {
        return match ($kind) {
            NameKind::Former => self::FormerName,
            NameKind::Passport => self::PassportName,
            NameKind::Script => self::ScriptName,
            NameKind::Stage => self::StageName,
            NameKind::Other => self::OtherName,
        };
    }

    public function strength(): int
    {
        return \count(self::cases()) - (int) array_search($this, self::cases(), true);
    }

    /** Whether it takes letters for others. */
    public function isUnsure(): bool
    {
        return \in_array($this, [self::Initials, self::SmallDifference], true);
    }

    /** Evidence of one tier tells nobody apart; that of a higher one does. */
    public function tier(): int
    {
        return match ($this) {
            self::Identifier => 4,
            self::FullName,
            self::PreferredName,
            self::FormerName,
            self::PassportName,
            self::ScriptName,
            self::StageName,
            self::OtherName => 3,
            self::LocalPart, self::Particles, self::Transliteration, self::Nickname => 2,
            self::PartOfTheName, self::Initials => 1,
            default => 0,
        };
    }
}
