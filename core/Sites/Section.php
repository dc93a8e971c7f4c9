<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

use MintDoor\Core\Time\Window;

/** What the rules need to know of a section: a formal part of a site. */
final readonly class Section
{
    /** In so many sections of one site somebody may be. */
    public const MOST_OF_ONE = 12;

    /**
     * @param ?int   $seats   how many learners fit, null for no limit of its own
     * @param Window $window  when its learners may enter; what the site says holds besides
     * @param bool   $retired nobody is put into it any more
     */
    public function __construct(
        public string $id,
        public ?int $seats = null,
        public Window $window = new Window(),
        public bool $retired = false,
    ) {}

    /** Whether doors lead into it: nobody has retired it, and its time is not over. */
    public function isOffered(int $now): bool
    {
        return !$this->retired && $this->window->until > $now;
    }
}
