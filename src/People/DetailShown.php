<?php

declare(strict_types=1);

namespace MintDoor\People;

/** Schema `PersonDetail`: what is kept of somebody under a detail, or could be. */
final readonly class DetailShown
{
    /**
     * @param 'text'|'choice'|'date'|'number' $type
     * @param list<string>                    $choices of which one may be chosen
     * @param string                          $value   empty where nothing is kept
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $type,
        public array $choices,
        public string $value,
        public bool $mayChange,
    ) {}
}
