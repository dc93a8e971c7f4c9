<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Text\Folding;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\Repository\GroupedPeople;
use MintDoor\Groups\Repository\GroupInvites;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Learners choose a group by themselves, found one, and ask others into it, while that is open. */
final readonly class OwnGroupsController
{
    private const ONE = '/me/groups/{split}';

    private const SPLIT = ['split' => Id::PATTERN];

    public function __construct(
        private OwnGroupsQuery $query,
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private GroupInvites $invites,
        private GroupMoves $moves,
        private GroupedPeople $people,
        private Gate $gate,
        private Ids $ids,
        private Transaction $transaction,
    ) {}

    #[Route('/me/groups', name: 'own_groups', methods: ['GET'])]
    public function own(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->query->of($caller)));
    }

    #[Route(self::ONE, name: 'choose_group', requirements: self::SPLIT, methods: ['PUT'])]
    public function choose(
        string $split,
        #[MapRequestPayload] OwnGroupRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $work = function (SiteAccess $access, GroupSplit $found) use ($body): void {
            $this->moves->own($access, $found, $body->group);
            null === $body->group || $this->invites->drop($found->id, $access->caller->id);
        };

        return $this->changed($split, $request, $caller, $work);
    }

    #[Route(self::ONE.'/found', name: 'found_group', requirements: self::SPLIT, methods: ['POST'])]
    public function found(
        string $split,
        #[MapRequestPayload] FoundRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed(
            $split,
            $request,
            $caller,
            function (SiteAccess $access, GroupSplit $found) use ($body): void {
                if (!$found->founds) {
                    throw Problem::notAllowed('groups.not-founded');
                }
                $name = trim($body->name);
                $present = $this->groups->of($found);
                foreach ($present as $group) {
                    if (Folding::fold($group->name) === Folding::fold($name)) {
                        throw Problem::field('/name', 'taken', 'groups.group-name-taken');
                    }
                }
                if (\count($present) >= SplitRequest::MOST_GROUPS) {
                    throw Problem::field('/name', 'too-many', 'groups.fewer-groups');
                }
                $group = new SiteGroup($this->ids->next(), $found, $name, place: \count($present), founded: true);
                $this->groups->add($group);
                $this->groups->lead($group, $access->caller->id);
                $this->groups->flush();
                $this->moves->own($access, $found, $group->id);
                $this->invites->drop($found->id, $access->caller->id);
            }
        );
    }

    /** Asks classmates into the group that one is in: those whom one sees on the roster, and who are in none. */
    #[Route(self::ONE.'/invitations', name: 'invite_into_group', requirements: self::SPLIT, methods: ['POST'])]
    public function invite(
        string $split,
        #[MapRequestPayload] InviteRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed(
            $split,
            $request,
            $caller,
            function (SiteAccess $access, GroupSplit $found) use ($body): void {
                $places = $this->places->of($found, $access->now);
                $group = $places[$access->caller->id] ?? null;
                if (null === $group) {
                    throw new Problem(ProblemType::NotReady, 'groups.be-in-one-first');
                }
                $seen = $this->query->seen($access, $body->people);
                foreach ($body->people as $n => $person) {
                    if (!\in_array($person, $seen, true) || !\array_key_exists($person, $places)) {
                        throw Problem::field("/people/$n", 'unknown', 'groups.not-here');
                    }
                    if (null !== $places[$person]) {
                        $name = $this->people->names([$person])[$person] ?? '';
                        throw Problem::field("/people/$n", 'in-one', Said::with('groups.in-one-already', name: $name));
                    }
                }
                if (\count($this->invites->into($group)) + \count($body->people) > 40) {
                    throw Problem::field('/people', 'too-many', 'groups.invite-fewer');
                }
                foreach ($body->people as $person) {
                    $this->invites->ask($group, $person, $access->caller->id, $access->now);
                }
            }
        );
    }

    /** @param \Closure(SiteAccess, GroupSplit): void $work while it is open, about somebody it is about */
    private function changed(string $split, Request $request, Caller $caller, \Closure $work): Response
    {
        $site = $this->splits->withId($split)?->site->id ?? throw Problem::notFound('split');
        // Whoever has no part in the site is told nothing of it.
        $this->gate->ifThere($site, $caller) ?? throw Problem::notFound('split');

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            function () use ($site, $split, $caller, $work): Answer {
                $access = $this->gate->ifThere($site, $caller) ?? throw Problem::notFound('split');
                $found = $this->splits->locked($site, $split) ?? throw Problem::notFound('split');
                $own = $this->query->one($access, $found) ?? throw Problem::notFound('split');
                if (!$own->chooses) {
                    throw new Problem(ProblemType::NotReady, 'groups.chosen-already');
                }
                $work($access, $found);
                $this->splits->flush();

                return new Answer($this->query->one($access, $found) ?? throw Problem::notFound('split'));
            },
        );
    }
}
