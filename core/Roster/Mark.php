<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Window;

/** Something put on a pass or an enrollment for a time. Its end may be drawn in, never anything else. */
final readonly class Mark
{
    /**
     * @param ?string $role code, for a mark of kind `Role`
     */
    public function __construct(
        public string $id,
        public MarkKind $kind,
        public Window $window,
        public ?string $role = null,
    ) {
    }

    public function endedAt(int $instant): self
    {
        return new self($this->id, $this->kind, $this->window->endedAt($instant), $this->role);
    }
}
