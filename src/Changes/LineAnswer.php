<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verdict;
use MintDoor\Roster\StandingShown;
use MintDoor\Roster\Stretch;

/** Schema `ChangeLine`: what one line would do, or did. */
final readonly class LineAnswer implements \JsonSerializable
{
    /**
     * @param 'mail'|'no-address'|'no-account'|null        $told     how they would be told
     * @param list<Stretch>                                $outlook  of what is to come
     * @param list<array{code: string, values: object}>    $reasons
     * @param list<array{code: string, values: object}>    $cautions
     * @param ?StoredAs                                    $stored   as what it was stored
     * @param bool                                         $applied  whether its change list was applied
     * @param ?int                                         $version  of the enrollment, where nothing was stored
     */
    public function __construct(
        public string $personId,
        public string $personName,
        public ?string $told,
        public Verdict $verdict,
        public ?StandingShown $before,
        public ?StandingShown $after,
        public array $outlook,
        public array $reasons,
        public array $cautions,
        public ?StoredAs $stored = null,
        public bool $applied = false,
        public ?int $version = null,
    ) {}

    public function applied(?StoredAs $stored): self
    {
        return new self(...[...get_object_vars($this), 'stored' => $stored, 'applied' => true]);
    }

    public function atVersion(int $version): self
    {
        return new self(...[...get_object_vars($this), 'version' => $version]);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $version = $this->stored->version ?? $this->version;

        return [
            'person' => ['id' => $this->personId, 'name' => $this->personName],
            'told' => $this->told,
            'verdict' => $this->verdict->value,
            'before' => $this->before,
            'after' => $this->after,
            'outlook' => $this->outlook,
            'reasons' => $this->reasons,
            'cautions' => $this->cautions,
            ...$this->applied ? ['entry' => $this->stored?->entry, 'line' => $this->stored?->line] : [],
            ...null === $version ? [] : ['version' => $version],
        ];
    }
}
