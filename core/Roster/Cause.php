<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\Permission;

/**
 * One thing that lets somebody in or keeps them out. The sentences are made from it elsewhere: one for staff, one for
 * the person.
 */
final readonly class Cause
{
    /**
     * @param string                        $code   "let-in", "reads-closed", "prepares-draft", "blocked",
     *        "account-closed", "never-here", "removed", "ended", "waiting", "waits-for-approval", "waits-for-answer",
     *        "waits-for-yes", "waits-for-seat", "upcoming", "paused", "draft", "closed", "no-seat",
     *        "section-upcoming", "section-over"
     * @param array<string, string|int|list<string>|null> $values role, door, and instants
     *     (`Time::FOREVER` for an open end)
     * @param string                        $change the smallest change that would remove it: "lift", "reopen-account",
     *     "let-in", "bring-back", "answer", "move-start", "resume", "open-site", "open-site-again", "more-seats",
     *     "change-section"; where
     *     nothing keeps them out, what would end it or widen it: "pause", "remove", "change-role"
     * @param ?Permission                   $needs  what whoever makes that change must be allowed; null where only an
     *     administrator or the person may
     */
    public function __construct(
        public string $code,
        public array $values,
        public string $change,
        public ?Permission $needs = null,
    ) {}
}
