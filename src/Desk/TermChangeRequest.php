<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A change of term: of which sites, who leaves, who comes, and what becomes of doors, dates and sections. */
final readonly class TermChangeRequest
{
    /**
     * @param list<TermChangeSite> $sites
     * @param string               $term     code of the new one
     * @param string               $how      "on" where the sites go on, "new" where others are made like them
     * @param string               $leave    which learners leave: "nobody", "learners", "cohort" or "sections"
     * @param ?string              $cohort   id, of those who leave
     * @param list<string>         $sections ids, of those who leave
     * @param bool                 $others   whether those leave, too, who are neither learners nor lead a site
     * @param string               $leaveOn  "now", or with the old "term"
     * @param list<string>         $cohorts  ids of those that come
     * @param list<string>         $people   ids of those who come
     * @param bool                 $waiting  whether those come who wait for a seat
     * @param string               $role     code, of those who come
     * @param string               $comeOn   "now", or with the new "term"
     * @param string               $doors    "renew", "shut" or "keep"
     * @param bool                 $emptied  whether learners who stay leave their sections
     * @param ?string              $clash    why those come, too, who have something else at that time; null where they
     *     do not
     * @param ?int                 $removing how many lose access now, typed where they are many
     * @param ?string              $changeList id of the draft it was worked on as
     */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 100,
            minMessage: 'desk.term.choose-sites',
            maxMessage: 'desk.term.most-sites',
        )]
        #[Assert\Valid] public array $sites,
        #[Assert\NotBlank(message: 'desk.term.choose-term')]
        #[Assert\Length(max: 32, maxMessage: 'desk.no-such-term')]
        public string $term,
        #[Assert\Choice(['on', 'new'], message: 'desk.term.choose-how')] public string $how = 'on',
        #[Assert\Choice(['nobody', 'learners', 'cohort', 'sections'], message: 'desk.term.choose-leave')]
        public string $leave = 'learners',
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'desk.term.choose-cohort')] public ?string $cohort = null,
        #[Assert\Count(max: 400, maxMessage: 'shared.no-such-section')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section'),
        ])]
        public array $sections = [],
        public bool $others = false,
        #[Assert\Choice(['now', 'term'], message: 'desk.term.choose-when')] public string $leaveOn = 'term',
        #[Assert\Count(max: 20, maxMessage: 'desk.term.most-cohorts')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'desk.term.choose-cohort'),
        ])]
        public array $cohorts = [],
        #[Assert\Count(max: 1_000, maxMessage: 'changes.change-list-1-000')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people = [],
        public bool $waiting = false,
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public string $role = 'learner',
        #[Assert\Choice(['now', 'term'], message: 'desk.term.choose-when')] public string $comeOn = 'term',
        #[Assert\Choice(['renew', 'shut', 'keep'], message: 'desk.term.choose-doors')] public string $doors = 'renew',
        public bool $emptied = false,
        #[Assert\Length(max: 500, maxMessage: 'changes.shorten-note-500-characters')] public ?string $clash = null,
        public ?int $removing = null,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-change-list')]
        public ?string $changeList = null,
        public bool $apply = false,
    ) {}

    public function makesNew(): bool
    {
        return 'new' === $this->how;
    }
}
