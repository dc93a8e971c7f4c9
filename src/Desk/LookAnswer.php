<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Accent;
use MintDoor\Core\Platform\AccentColours;
use MintDoor\Core\Platform\Registration;
use MintDoor\Core\Platform\Settings;

/** Schema `Look`: what a platform is called, and what its pages look like. */
final readonly class LookAnswer
{
    /**
     * @param string         $mark  one of `Look::GLYPHS`; empty for the program's own
     * @param ?AccentColours $light on light paper; null for the program's own colours
     * @param ?AccentColours $dark  on dark paper
     * @param bool           $register whether people register themselves somewhere
     */
    private function __construct(
        public string $name,
        public string $mark,
        public ?AccentColours $light,
        public ?AccentColours $dark,
        public bool $register,
    ) {}

    /** @param string $name that it has where nobody set one, too */
    public static function of(Settings $settings, string $name): self
    {
        $accent = Accent::read($settings->look->accent);

        $open = array_filter(
            $settings->registrations,
            static fn(Registration $each): bool => null !== $settings->registrationOf($each->division),
        );

        return new self(
            $name,
            $settings->look->mark,
            $accent?->onLight(),
            $accent?->onDark(),
            [] !== $open,
        );
    }
}
