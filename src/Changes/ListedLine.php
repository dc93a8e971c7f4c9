<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Messages\SentMessage;
use MintDoor\Shared\Somebody;

/** A line of a stored change list, and what became of it: member `lines` of schema `ChangeList`. */
final readonly class ListedLine
{
    /**
     * @param string                                               $text    as it was written, where it was
     * @param ?string                                              $role    code
     * @param ?string                                              $verdict null until it is worked off
     * @param list<array{code: string, values: \stdClass}>         $reasons
     * @param array<array-key, mixed>|null                         $before  schema `Standing`, as it was written then
     * @param array<array-key, mixed>|null                         $after   schema `Standing`, as it was written then
     * @param string                                               $note    why, of whoever asked for it
     * @param ?string                                              $line    id of the applied line
     */
    public function __construct(
        public int $position,
        public SiteInZone $site,
        public Somebody $person,
        public string $text,
        public string $note,
        public string $verb,
        public ?string $role,
        public ?string $verdict,
        public array $reasons,
        public ?array $before,
        public ?array $after,
        public ?string $line,
        public ?SentMessage $message,
    ) {}
}
