<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\History\History;
use MintDoor\People\PersonName;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;

/** An entry of a history with the names of those it is about. */
final readonly class HistoryLine
{
    /** @param array<array-key, mixed> $data */
    public function __construct(
        public string $id,
        public string $siteId,
        public int $sequence,
        public int $at,
        public string $code,
        public array $data,
        public ?string $lineId,
        public ?int $undoneBy,
        public string $actorId,
        public string $actorGiven,
        public string $actorFamily,
        public ?string $actorPreferred,
        public ?string $personId,
        public ?string $personGiven,
        public ?string $personFamily,
        public ?string $personPreferred,
        public ?string $siteTitle,
    ) {}

    /** Whether it is a change by itself, of a site or of labels, that can be undone as it is. */
    public function undoesItself(): bool
    {
        return null === $this->undoneBy && History::PLATFORM !== $this->siteId && isset($this->data['before']);
    }

    /** @param ?int $undoneBy sequence number of the entry that took it back */
    public function shown(bool $undoable, ?int $undoneBy): EntryShown
    {
        $person = PersonName::shown((string) $this->personGiven, (string) $this->personFamily, $this->personPreferred);

        return new EntryShown(
            null === $this->siteTitle ? null : new Somebody($this->siteId, $this->siteTitle),
            $this->sequence,
            Instant::toJson($this->at),
            new Somebody(
                $this->actorId,
                PersonName::shown($this->actorGiven, $this->actorFamily, $this->actorPreferred),
            ),
            null === $this->personId ? null : new Somebody($this->personId, $person),
            $this->code,
            $this->told(),
            $undoable,
            $undoneBy,
        );
    }

    /** What the entry says; of many people only how many. */
    private function told(): \stdClass
    {
        return (object) (isset($this->data['people'])
            ? [...array_diff_key($this->data, ['people' => 1]), 'count' => \count((array) $this->data['people'])]
            : $this->data);
    }
}
