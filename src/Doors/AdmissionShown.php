<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `Admission`: whether a door lets one in, and why not. */
final readonly class AdmissionShown
{
    /**
     * @param string $next what to do
     * @param \stdClass $values of the code's sentence
     * @param ?int $place in the line
     * @param bool $waits whether one waits here already
     * @param ?string $sentence where one is not let in
     */
    public function __construct(
        public string $passage,
        public string $code,
        public string $next,
        public \stdClass $values,
        public ?int $place,
        public bool $waits,
        public ?string $sentence,
    ) {}
}
