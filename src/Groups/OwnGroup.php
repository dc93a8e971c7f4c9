<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Somebody;

/** Schema `OwnGroup`: a group there is to be in. */
final readonly class OwnGroup
{
    /**
     * @param ?int           $most    how many people fit; null for any number
     * @param int            $people  how many are in it
     * @param list<Somebody> $members those of them whom the caller sees
     * @param ?string        $asks    name of who asks them to come into it
     * @param list<Somebody> $asked   whom its people asked: of the caller's own group only
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?int $most,
        public int $people,
        public array $members,
        public ?string $asks,
        public array $asked,
    ) {}
}
