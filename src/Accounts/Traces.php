<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\People\Facts;

/** By what somebody who is erased could still be found. */
final readonly class Traces
{
    public ?string $email;

    /** @param string $person id */
    public function __construct(public string $person, public Facts $facts)
    {
        $this->email = $facts->email;
    }

    /** @return list<string> what names them, wherever it stands in a text */
    public function words(): array
    {
        $words = [$this->person, (string) $this->facts->number, (string) $this->facts->email];
        foreach (array_filter([$this->facts->given, $this->facts->preferred]) as $name) {
            $family = $this->facts->family;
            array_push($words, $name.' '.$family, $family.', '.$name, $family.' '.$name);
        }

        return array_values(array_filter($words, static fn(string $word): bool => \strlen($word) > 3));
    }
}
