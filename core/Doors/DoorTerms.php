<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Time\Window;

/** On what terms a door lets people in: the parts of its sentence. */
final readonly class DoorTerms
{
    /**
     * @param bool         $open      whether it lets anybody in at all
     * @param bool         $approval  whether each one waits for somebody's word: then it opens by approval
     * @param Window       $hours     when it opens and shuts by itself
     * @param ?int         $seats     how many may come through; null for as many as fit
     * @param list<string> $divisions codes of those it is for; none for all
     * @param ?LevelBand   $levels    of learners it is for
     * @param list<string> $domains   of the addresses it is for; none for all
     * @param bool         $waiting   whether those it has no seat for may wait
     */
    public function __construct(
        public string $role,
        public bool $open = true,
        public bool $approval = false,
        public Window $hours = new Window(),
        public ?int $seats = null,
        public array $divisions = [],
        public ?LevelBand $levels = null,
        public array $domains = [],
        public bool $waiting = false,
    ) {}
}
