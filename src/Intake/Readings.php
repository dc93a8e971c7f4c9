<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Reading;

/** What lines were read as. */
final readonly class Readings
{
    /**
     * @param list<Reading>             $readings in order; a line about several people has one for each
     * @param array<string, PersonSeen> $people   whoever is spoken of, by id
     * @param Circumstances             $for      what they were read for
     */
    public function __construct(
        public array $readings,
        public array $people,
        public Circumstances $for,
    ) {}

    /** By the number of the line. */
    public function ofLine(int $number): ?Reading
    {
        foreach ($this->readings as $reading) {
            if ($reading->line->number === $number) {
                return $reading;
            }
        }

        return null;
    }
}
