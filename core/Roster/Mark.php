<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Window;

/** Something put on a pass or an enrollment for a time. Its end may be drawn in, never anything else. */
final readonly class Mark
{
    /** The first mark of those that were put on again after an undoing; itself where there was none. */
    public string $origin;

    /**
     * @param ?string $role   code, for a mark of kind `Role`
     * @param ?Window $dates  for a mark of kind `Dates`: what holds in place of the passes' own windows, while the mark is on
     * @param ?string $origin null for a mark of its own
     */
    public function __construct(
        public string $id,
        public MarkKind $kind,
        public Window $window,
        public ?string $role = null,
        ?string $origin = null,
        public ?Window $dates = null,
    ) {
        $this->origin = $origin ?? $id;
    }

    /** The same once more, under an id of its own. */
    public function again(string $id, Window $window): self
    {
        return new self($id, $this->kind, $window, $this->role, $this->origin, $this->dates);
    }

    public function endedAt(int $instant): self
    {
        return new self($this->id, $this->kind, $this->window->endedAt($instant), $this->role, $this->origin, $this->dates);
    }
}
