<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Core\Groups\Move;
use MintDoor\Core\Roles\Permission;
use MintDoor\Groups\Repository\GroupedPeople;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Change lists of moves between groups: what they did, and taken back. */
final readonly class GroupListController
{
    private const ONE = ['changeList' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private Splits $splits,
        private SiteGroups $groups,
        private GroupedPeople $people,
        private GroupMoves $moves,
        private ChangeLists $lists,
        private Transaction $transaction,
    ) {}

    #[Route('/group-lists/{changeList}', name: 'group_list', requirements: self::ONE, methods: ['GET'])]
    public function lines(string $changeList, #[CurrentUser] Caller $caller): Response
    {
        [, $list] = $this->list($changeList, $caller);
        $kept = KeptMoves::read($list->undoData);
        $split = $this->splits->one((string) $list->site?->id, $kept->split);
        $groups = null === $split ? [] : $this->groups->all($split);
        $names = $this->people->names(array_map(strval(...), array_keys($kept->moves)));
        $lines = array_map(
            static fn(Move $move): GroupLine => new GroupLine(
                new Somebody($move->person, $names[$move->person] ?? ''),
                null === $move->from ? null : ($groups[$move->from] ?? null)?->name,
                null === $move->to ? null : ($groups[$move->to] ?? null)?->name,
            ),
            $kept->moves,
        );

        return new Answer(new GroupListAnswer($kept->split, $split->name ?? '', array_values($lines)));
    }

    /** Takes it back for whom nobody moved since, as a change list of its own. */
    #[Route('/group-lists/{changeList}/undo', name: 'undo_group_list', requirements: self::ONE, methods: ['POST'])]
    public function undo(string $changeList, Request $request, #[CurrentUser] Caller $caller): Response
    {
        [$seen] = $this->list($changeList, $caller);
        $site = $seen->site->id;

        return $this->transaction->run($request, $caller, [$site], function () use ($changeList, $caller): Answer {
            [$access, $list] = $this->list($changeList, $caller);
            $kept = KeptMoves::read($list->undoData);
            $split = $this->splits->locked($access->site->id, $kept->split) ?? throw Problem::notFound('split');
            if ($this->lists->isUndone($changeList)) {
                throw new Problem(ProblemType::UndoneAlready, 'shared.already-undone');
            }
            $answer = $this->moves->undo($access, $split, $list);
            if (null === $answer->changeList) {
                throw new Problem(ProblemType::ChangedSince, 'groups.all-moved-since');
            }

            return new Answer($answer);
        });
    }

    /** @return array{SiteAccess, ChangeList} */
    private function list(string $changeList, Caller $caller): array
    {
        $list = $this->lists->seen($changeList, $caller);
        if (null === $list->site || !isset($list->undoData['moves'])) {
            throw Problem::notFound('change-list');
        }
        $access = $this->gate->at($list->site->id, $caller)->require(
            Permission::ArrangeGroups,
            'groups.not-arrange',
        );

        return [$access, $list];
    }
}
