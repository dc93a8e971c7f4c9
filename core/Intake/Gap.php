<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** What stands between a piece of a line and the one before it. */
enum Gap
{
    case None;
    case Blank;
    case Comma;
    /** A semicolon, a tab, an upright line: cells of a row, or people of a list. */
    case Cell;
    /** A word or a sign that joins two: "and", "&", "+", "/". */
    case Join;
    /** A dash, an arrow, dots: what comes behind says something of what stands before. */
    case Dash;
    case Bracket;
    case Colon;

    /** Whether it is more than a blank between the words of a name. */
    public function parts(): bool
    {
        return self::None !== $this && self::Blank !== $this;
    }
}
