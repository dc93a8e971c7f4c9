<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\RoleVerdict;
use MintDoor\Core\Roles\Standing;
use MintDoor\Roles\Roles;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/** Those who stand behind what lets people in by itself: it does so with their rights, as they are when it does. */
final readonly class Keepers
{
    public function __construct(
        private Gate $gate,
        private Roles $roles,
        private CallerProvider $callers,
    ) {}

    /** What somebody is in a site now; null where they are nothing there, or in the directory no more. */
    public function standing(string $site, ?string $keeper): ?Standing
    {
        try {
            return null === $keeper ? null : $this->gate->standing($site, $this->callers->byId($keeper));
        } catch (UserNotFoundException) {
            return null;
        }
    }

    /** What somebody is in a site, as long as they may give a role there by hand; null where they may not any more. */
    public function backing(SiteAccess $access, ?string $keeper, string $role): ?Standing
    {
        $standing = $this->standing($access->site->id, $keeper);
        $theirs = null === $standing
            ? null
            : new SiteAccess($access->site, $access->row, $access->caller, $standing, null, $access->now);

        return null !== $theirs && $this->verdict($theirs, $role)->allowed ? $standing : null;
    }

    /**
     * Whether a role may be given by hand to any kind of person that may hold it.
     *
     * @param ?string $division code of theirs; null for the site's
     * @param ?int    $level    of learners; null for the lowest that fits
     */
    public function verdict(
        SiteAccess $access,
        string $code,
        ?string $division = null,
        ?int $level = null,
    ): RoleVerdict {
        $book = $this->roles->book();
        $role = $book->find($code);
        $refused = null;
        foreach ($role->for ?? [] as $kind) {
            $lowest = $level ?? ($role->learnersOf->lowest ?? ($access->site->levels->lowest ?? 1));
            $somebody = new Person(
                Id::NONE,
                $kind,
                $division ?? $access->site->division,
                PersonKind::Learner === $kind ? $lowest : null,
            );
            $verdict = $book->mayGive($code, $access->standing, $somebody, $access->site);
            if ($verdict->allowed) {
                return $verdict;
            }
            $refused = str_starts_with($verdict->code, 'not-') ? $verdict : $refused ?? $verdict;
        }

        return $refused ?? RoleVerdict::no('no-such-role');
    }
}
