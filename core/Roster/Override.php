<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Window;

/** Something put on a grant or an enrollment for a time. Its end may be drawn in, never anything else. */
final readonly class Override
{
    /** The first override of those that were put on again after an undoing; itself where there was none. */
    public string $origin;

    /**
     * @param ?string $role   code, for an override of kind `Role`
     * @param ?Window $dates  for an override of kind `Dates`: what holds in place of the grants' own windows, while the
     *     override
     *     is on
     * @param ?string $origin  null for an override of its own
     * @param int     $height  of whoever put it on (`Standing::height()`): who is lower does not end it; 0 for what the
     *                         person or a door did by itself
     * @param ?string $putBy   id of who put it on
     * @param ?string $endedBy id of who ended it before its time
     * @param ?list<string> $sections ids, for an override of kind `Sections`; none takes somebody out of all
     */
    public function __construct(
        public string $id,
        public OverrideKind $kind,
        public Window $window,
        public ?string $role = null,
        ?string $origin = null,
        public ?Window $dates = null,
        public int $height = 0,
        public ?string $putBy = null,
        public ?string $endedBy = null,
        public ?array $sections = null,
    ) {
        $this->origin = $origin ?? $id;
    }

    /** The same once more, under an id of its own. */
    public function again(string $id, Window $window): self
    {
        return $this->with($id, $window, null);
    }

    /** @param ?string $by id of who ends it */
    public function endedAt(int $instant, ?string $by = null): self
    {
        return $this->with($this->id, $this->window->endedAt($instant), $by ?? $this->endedBy);
    }

    private function with(string $id, Window $window, ?string $endedBy): self
    {
        return new self(
            $id,
            $this->kind,
            $window,
            $this->role,
            $this->origin,
            $this->dates,
            $this->height,
            $this->putBy,
            $endedBy,
            $this->sections,
        );
    }
}
