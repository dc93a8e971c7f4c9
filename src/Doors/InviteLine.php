<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\People\PersonRow;
use MintDoor\People\PersonShown;
use MintDoor\Shared\Row;

/** Schema `InviteLine`: whom a line means, and whether they can be invited. */
final readonly class InviteLine implements \JsonSerializable
{
    /**
     * @param string                     $verdict    "ready", "choose", "repeat", "nobody", "unknown" or a code of
     *     `InviteVerdict`
     * @param ?string                    $personId   whom of the directory it means
     * @param ?string                    $address    where the invitation goes
     * @param list<PersonShown> $candidates to choose from
     * @param list<string>               $known      ids of those whose address may be shown
     * @param ?Row                       $person     with `PersonRow::COLUMNS`
     */
    public function __construct(
        public int $number,
        public string $text,
        public string $verdict,
        public ?string $personId = null,
        public ?string $address = null,
        public array $candidates = [],
        public array $known = [],
        public ?Row $person = null,
    ) {}

    /** As it turned out when it was looked at with what is so in the site. */
    public function judged(string $verdict, ?Row $person, ?string $address): self
    {
        return new self(
            $this->number,
            $this->text,
            $verdict,
            $person?->id('person_id'),
            $address,
            $this->candidates,
            $this->known,
            $person,
        );
    }

    public function isReady(): bool
    {
        return 'ready' === $this->verdict;
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $shown = null === $this->personId || \in_array($this->personId, $this->known, true);

        return [
            'number' => $this->number,
            'text' => $this->text,
            'person' => null === $this->person
                ? null
                : ['id' => $this->personId, 'name' => PersonRow::name($this->person)],
            'address' => $shown ? $this->address : null,
            'verdict' => $this->verdict,
            'candidates' => $this->candidates,
        ];
    }
}
