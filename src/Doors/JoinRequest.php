<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/**
 * What somebody stands before a door with: a key, the token of an invitation, or the door's own id from the list of
 * sites.
 */
readonly class JoinRequest
{
    /** @param list<string> $answers to the questions of the kind of site, in their order */
    public function __construct(
        #[\SensitiveParameter] public ?string $key = null,
        #[\SensitiveParameter]
        #[Assert\Length(max: 200, maxMessage: 'doors.link-not-complete-open')]
        public ?string $invitation = null,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-door')] public ?string $door = null,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')]
        public ?string $section = null,
        #[Assert\Length(max: 300, maxMessage: 'doors.shorten-line-300-characters')] public string $why = '',
        /** That an invitation to another address is answered from this account on purpose. */
        public bool $asMe = false,
        /** Tells visitors behind one address apart, where nobody is signed in. */
        #[Assert\Length(max: 64)] public string $visitor = '',
        #[Assert\Count(max: 20)]
        #[Assert\All([new Assert\Type('string')])]
        public array $answers = [],
        /** That one will be wanted in two places at once, and this is meant; `why` says why. */
        public bool $clash = false,
    ) {}
}
