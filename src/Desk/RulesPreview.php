<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `RulesPreview`: what putting other rules in force would do, or did. */
final readonly class RulesPreview
{
    /**
     * @param list<array{where: string, code: string, values: \stdClass}> $problems such as at roles/co-tutor/givenBy
     * @param list<array{permission: string, gain: bool, people: int, sites: int}> $affected
     * @param list<array{name: string, fit: int, not: int, example: ?string}> $numbers of the directory, by format
     * @param array{overSeats: int, overLeads: int} $sites that have more than a limit would allow them
     * @param int $version of the rules that hold now
     */
    public function __construct(
        public array $problems,
        public array $affected,
        public array $numbers,
        public array $sites,
        public int $version,
    ) {}

    /** The same, of rules that are in force by now. */
    public function inForce(int $version): self
    {
        return new self($this->problems, $this->affected, $this->numbers, $this->sites, $version);
    }
}
