<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Which lists: those that are worked with, and two parts that are looked at in sums only, each once. */
enum Part: string
{
    case Work = 'work';
    case Kept = 'kept';
    /** Written when the part kept aside had been looked at, and before the matcher was changed again. */
    case Anew = 'anew';

    /** @return array<string, list<string>|array<string, list<string>>> */
    public function phrases(): array
    {
        return match ($this) {
            self::Work => Phrases::WORK,
            self::Kept => Phrases::KEPT,
            self::Anew => Phrases::ANEW,
        };
    }

    /** @return list<array<string, string>> short names of that part and those before it, by the given name */
    public function short(): array
    {
        return match ($this) {
            self::Work, self::Kept => [Pools::SHORT['work'], Pools::SHORT['kept']],
            self::Anew => array_values(Pools::SHORT),
        };
    }

    public function seed(): int
    {
        return match ($this) {
            self::Work => 31_117,
            self::Kept => 70_443,
            self::Anew => 50_909,
        };
    }
}
