<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Shared\Somebody;

/** Schema `SignInCard`: shown once, kept nowhere. */
final readonly class CardShown
{
    /**
     * @param ?string $login    null where no card was made
     * @param ?string $password null where no card was made
     * @param ?string $until    instant until which the password works
     * @param ?string $refused  why no card was made; a sentence
     */
    public function __construct(
        public Somebody $person,
        public ?string $login,
        #[\SensitiveParameter] public ?string $password,
        public ?string $until,
        public ?string $refused,
    ) {}

    public static function refused(Somebody $person, string $why): self
    {
        return new self($person, null, null, null, $why);
    }
}
