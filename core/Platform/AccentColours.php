<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Schema `AccentColours`: each as `#1f5a4b`. */
final readonly class AccentColours
{
    /**
     * @param string $accent   of links, buttons and lines
     * @param string $hover    of a button that is pointed at
     * @param string $pressed  of a button while it is pressed
     * @param string $onAccent of what stands on a button
     * @param string $ground   behind what is emphasised
     * @param string $pale     behind what is chosen
     */
    public function __construct(
        public string $accent,
        public string $hover,
        public string $pressed,
        public string $onAccent,
        public string $ground,
        public string $pale,
    ) {}
}
