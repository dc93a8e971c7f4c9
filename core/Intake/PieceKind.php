<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** What a piece of a line looks like, before anybody was looked up. */
enum PieceKind
{
    case Word;
    case Address;
    /** Digits, perhaps behind letters, as the platform's numbers are written. */
    case Number;
    /** A word that may be a login. */
    case Login;
    /** Up to three digits. */
    case Small;
    /** A date, a telephone number, a mark out of so many, and words that stand where remarks do. */
    case Remark;
    /** A bullet, a tick, a title, a word that announces a number. */
    case Ignored;
}
