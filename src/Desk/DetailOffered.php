<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** A detail of people that lists may show and be narrowed down by: member `details` of schema `Platform`. */
final readonly class DetailOffered
{
    /**
     * @param 'text'|'choice'|'date'|'number' $type
     * @param list<string>                    $choices of which one is chosen
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $type,
        public array $choices,
    ) {}
}
