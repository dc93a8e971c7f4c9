<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\DoorState;
use MintDoor\Core\Doors\DoorTerms;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Window;
use MintDoor\Roster\Entity\Door;

/** A door that is set up as a sentence, with its policy read. */
final readonly class SentenceDoor
{
    public string $id;

    public string $site;

    public DoorKind $kind;

    public DoorPolicy $policy;

    public Window $hours;

    private function __construct(public Door $door)
    {
        $this->id = $door->id;
        $this->site = $door->site->id;
        $this->kind = DoorKind::from($door->kind);
        $this->policy = DoorPolicyCodec::read($door->terms ?? []);
        $this->hours = new Window($door->fromAt, $door->untilAt);
    }

    public static function of(Door $door): self
    {
        return new self($door);
    }

    /** The kind it was asked for as. */
    public function asked(): string
    {
        return DoorKind::Key === $this->kind && $this->policy->listed ? 'request' : $this->kind->value;
    }

    public function terms(): DoorTerms
    {
        return $this->policy->terms($this->door->isOpen(), $this->hours);
    }

    public function state(int $now): DoorState
    {
        return DoorState::of($this->door->isOpen(), $this->policy->approval, $this->hours, $now);
    }

    /** Id of who stands behind it. */
    public function keeper(): ?string
    {
        return $this->door->madeBy?->id;
    }
}
