<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Sites\Question;

/** Schema `JoinLook`: what one stands before, and what would happen. */
final readonly class JoinLook
{
    /**
     * @param list<string> $leads names, for those who are signed in
     * @param array{code: string, name: string, caution: ?string} $role
     * @param ?string $fromAt instant
     * @param ?string $untilAt instant
     * @param list<SectionChoice> $sections to choose from
     * @param bool $asks whether somebody has to say yes
     * @param list<Question> $questions what they want to know who say yes; none for why one asks
     * @param string $question what why one asks means; empty for nothing further
     * @param bool $accounts whether who has none may make an account here
     * @param ?array{id: string, name: string, login: string} $you who is signed in
     * @param ?DoorClash $clash what one has at the same time, where no section is to be chosen
     */
    public function __construct(
        public SiteBefore $site,
        public array $leads,
        public array $role,
        public string $state,
        public ?string $fromAt,
        public ?string $untilAt,
        public string $about,
        public array $sections,
        public bool $asks,
        public array $questions,
        public string $question,
        public bool $accounts,
        public ?LevelsOffered $levels,
        public ?InvitationLook $invitation,
        public ?array $you,
        public ?AdmissionShown $admission,
        public ?DoorClash $clash,
    ) {}
}
