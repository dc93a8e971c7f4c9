<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Difference;
use MintDoor\Doors\StarterWould;

/** Schema `SettingsPreview`: what putting other settings in force would do, or did. */
final readonly class SettingsPreview
{
    /**
     * @param list<array{where: string, code: string, values: \stdClass}> $problems such as at divisions/arts/parent
     * @param list<Difference> $differences
     * @param list<ReachMoved> $reach       who would administer more or fewer divisions
     * @param int              $sites       of terms whose days become others
     * @param int              $version     of the settings that hold now
     * @param LookAnswer       $look        that pages would have
     * @param list<StarterWould> $starters  whom starter sites would bring and take out
     * @param list<TouchedBySettings> $touched whom changes of details and kinds of people are about
     */
    public function __construct(
        public array $problems,
        public array $differences,
        public array $reach,
        public int $sites,
        public int $version,
        public LookAnswer $look,
        public array $starters,
        public array $touched,
    ) {}

    /** The same, of settings that are in force by now. */
    public function inForce(int $version): self
    {
        return new self(
            $this->problems,
            $this->differences,
            $this->reach,
            $this->sites,
            $version,
            $this->look,
            $this->starters,
            $this->touched,
        );
    }
}
