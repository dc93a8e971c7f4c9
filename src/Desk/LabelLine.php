<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Changes\Verdict;
use MintDoor\Shared\Somebody;

/** Schema `ChangeLine`, of a label: it leaves how somebody stands as it is. */
final readonly class LabelLine implements \JsonSerializable
{
    /**
     * @param ?string $why   code of why nothing changes
     * @param ?int    $entry sequence number of the history entry
     */
    public function __construct(
        public Somebody $person,
        public Verdict $verdict,
        public ?string $why,
        public ?int $entry = null,
    ) {}

    /** As it is once the label is put on, or taken off. */
    public function written(?int $entry): self
    {
        return new self($this->person, $this->verdict, $this->why, Verdict::Ready === $this->verdict ? $entry : null);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'person' => $this->person,
            'verdict' => $this->verdict->value,
            'before' => null,
            'after' => null,
            'outlook' => [],
            'cautions' => [],
            'reasons' => null === $this->why ? [] : [['code' => $this->why, 'values' => new \stdClass()]],
            'entry' => $this->entry,
        ];
    }
}
