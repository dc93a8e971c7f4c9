<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** Schema `Notice`: what was done to somebody's account that they have not seen yet. */
final readonly class NoticeShown
{
    /**
     * @param \stdClass $values of the code's sentence
     * @param string    $by     name
     * @param ?string   $at     instant
     */
    public function __construct(
        public string $id,
        public string $code,
        public \stdClass $values,
        public string $by,
        public ?string $at,
    ) {}
}
