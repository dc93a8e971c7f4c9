<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** What is not right about a key that was typed. */
enum KeySlip: string
{
    /** Almost right: one letter. */
    case OneLetter = 'one-letter';
    /** Almost right: two words stand in each other's place. */
    case Order = 'order';
    /** The words are words of keys, but the number does not belong to them. */
    case Number = 'number';
    /** A word that no key has. */
    case SomeWord = 'some-word';
    /** No key that we made; perhaps one that somebody chose. */
    case OtherKind = 'other-kind';
}
