<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Schema `HistoryEntry`. */
final readonly class EntryShown
{
    /**
     * @param ?string   $at       instant
     * @param \stdClass $data     codes and values of the sentence
     * @param ?int      $undoneBy sequence number of the entry that took it back
     */
    public function __construct(
        public ?Somebody $site,
        public int $sequence,
        public ?string $at,
        public Somebody $actor,
        public ?Somebody $person,
        public string $code,
        public \stdClass $data,
        public bool $undoable,
        public ?int $undoneBy,
    ) {}
}
