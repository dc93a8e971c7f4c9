<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** Schema `SectionFits`. */
final readonly class SectionFitsAnswer
{
    /** @param list<SectionFit> $sections in their order */
    public function __construct(public array $sections) {}
}
