<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Schema `PersonNote`: what staff wrote down about somebody. */
final readonly class NoteShown
{
    /**
     * @param ?string $at   instant
     * @param bool    $mine whether the caller may take it back
     */
    public function __construct(
        public string $id,
        public string $text,
        public ?string $at,
        public Somebody $by,
        public bool $mine,
    ) {}
}
