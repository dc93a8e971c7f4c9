<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** What a piece of a pasted line was taken for. */
enum MarkKind: string
{
    case Name = 'name';
    /** A number or a login. */
    case Number = 'number';
    case Address = 'address';
    /** A level, a division, a kind or a section that the line says. */
    case Hint = 'hint';
    /** A word that is no name of who was understood. */
    case Remark = 'remark';
    /** Numbering, ticks, titles, small numbers, and all of a line that is nobody. */
    case Ignored = 'ignored';
}
