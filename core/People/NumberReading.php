<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** What a text is, taken as a number of some format. */
enum NumberReading: string
{
    case Fits = 'fits';
    /** It is written otherwise altogether. */
    case Other = 'other';
    case WrongLength = 'wrong-length';
    case WrongCheckDigit = 'wrong-check-digit';
}
