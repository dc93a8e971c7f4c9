<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Items\Visibility;
use MintDoor\Core\Items\VisibilityKind;
use MintDoor\Core\Text\Folding;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Items\Entity\NamedVisibility;
use MintDoor\Items\Repository\ItemVisibilities;
use MintDoor\Items\Repository\NamedVisibilities;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Sites\Repository\Sites;

/** Says who sees items. What changes something runs inside a transaction, under the site's lock. */
final readonly class ItemsHandler
{
    public const SHOWN = 'items-shown';

    public function __construct(
        private Items $items,
        private ItemVisibilities $kept,
        private NamedVisibilities $named,
        private Sites $sites,
        private Roles $roles,
        private History $history,
        private Ids $ids,
    ) {}

    /** @throws Problem of type `NotAllowed` */
    public static function assertMay(SiteAccess $access): void
    {
        if (!ItemsQuery::mayShow($access)) {
            throw Problem::notAllowed('items.not-show-items');
        }
    }

    /**
     * What would become of each item.
     *
     * @return list<ItemLine> in the order of the items
     */
    public function lines(SiteAccess $access, ShowItemsRequest $request): array
    {
        $all = $this->items->of($access);
        $wanted = $this->wanted($access, $all, $request);
        $items = array_values(array_unique($request->items));
        $after = [...$all->visibilities, ...array_fill_keys($items, $wanted)];
        $people = $this->items->people($access, $access->now, [...array_values($all->visibilities), $wanted]);
        $viewers = $this->items->viewers($access, $people, $access->now);
        [$was, $is] = [
            Items::audience($all->items, $all->visibilities, $viewers),
            Items::audience($all->items, $after, $viewers),
        ];
        $lines = [];
        foreach (array_intersect_key($all->items, array_flip($items)) as $id => $item) {
            $before = $all->visibilities[$id] ?? Visibility::everybody();
            $same = $before == $wanted && ($all->kept[$id] ?? null)?->named?->id === $request->named;
            $lines[] = new ItemLine(
                $id,
                $item->title,
                $same ? 'nothing-to-do' : 'ready',
                (object) VisibilityCodec::write($before, $access->zone()),
                $was->seeing($id, $access->now),
                $is->seeing($id, $access->now),
            );
        }

        return $lines;
    }

    /** @return int the sequence number of its history entry, 0 when nothing changed */
    public function show(SiteAccess $access, ShowItemsRequest $request): int
    {
        $all = $this->items->of($access);
        $wanted = $this->wanted($access, $all, $request);
        $after = null === $request->named
            ? ['sentence' => VisibilityCodec::write($wanted, $access->zone())]
            : ['named' => $request->named];
        $changes = [];
        foreach (array_unique($request->items) as $item) {
            $before = self::state($all, $item);
            if ($before != $after) {
                $changes[$item] = ['before' => $before, 'after' => $after];
            }
        }

        return $this->put($access, $all, $changes, self::SHOWN);
    }

    /**
     * Puts back who saw items before an entry of the history, where nobody said otherwise since.
     *
     * @param array<string, mixed> $data of the entry
     */
    public function undo(SiteAccess $access, array $data, int $entry): int
    {
        $all = $this->items->of($access);
        $changes = [];
        foreach ((array) ($data['items'] ?? []) as $item => $each) {
            $before = (array) (((array) $each)['before'] ?? []);
            $after = (array) (((array) $each)['after'] ?? []);
            $named = $before['named'] ?? null;
            $known = null === $named || (\is_string($named) && isset($all->named[$named]));
            if (isset($all->items[$item]) && $known && self::state($all, (string) $item) == $after) {
                $changes[(string) $item] = ['before' => $after, 'after' => $before];
            }
        }
        if ([] === $changes) {
            throw new Problem(ProblemType::ChangedSince, 'items.changed-since');
        }
        $sequence = $this->put($access, $all, $changes, 'undo', ['of' => self::SHOWN]);
        $this->history->undone($access->site->id, $entry, $sequence);

        return $sequence;
    }

    /** Makes, renames and rewrites sentences that have a name; those that are left out go. */
    public function name(SiteAccess $access, NamedListRequest $request): void
    {
        $all = $this->items->of($access);
        $errors = new FieldErrors();
        $names = $kept = [];
        foreach ($request->named as $n => $each) {
            if (null !== $each->id && !isset($all->named[$each->id])) {
                $errors->add("named/$n/id", 'unknown', 'items.no-such-name');
                continue;
            }
            $folded = Folding::fold(trim($each->name));
            if (isset($names[$folded])) {
                $errors->add("named/$n/name", 'taken', 'items.name-twice');
            }
            $names[$folded] = true;
            $sentence = $this->sentence($access, $each->visibility, "named/$n/visibility", $errors);
            if (null !== $sentence) {
                $kept[] = [$each->id, trim($each->name), VisibilityCodec::write($sentence, $access->zone())];
            }
        }
        $used = array_count_values(
            array_filter(array_map(static fn($one): ?string => $one->named?->id, array_values($all->kept))),
        );
        foreach (array_diff_key($all->named, array_flip(array_filter(array_column($kept, 0)))) as $id => $gone) {
            isset($used[$id])
                ? $errors->add('named', 'in-use', Said::with('items.name-in-use', name: $gone->name, n: $used[$id]))
                : $this->named->remove($gone);
        }
        $errors->check();
        $site = $this->sites->find($access->site->id) ?? throw Problem::notFound('site');
        foreach ($kept as [$id, $name, $written]) {
            $own = $all->named[$id ?? ''] ?? new NamedVisibility($this->ids->next(), $site, $name, $written);
            $own->name = $name;
            $own->sentence = $written;
            $this->named->add($own);
        }
        ++$site->version;
        $this->named->flush();
        $this->history->write($site->id, $access->caller, new Happening('visibilities-named', []));
    }

    /** @throws Problem at `/visibility`, `/named` or `/items` */
    private function wanted(SiteAccess $access, SiteItems $all, ShowItemsRequest $request): Visibility
    {
        if ([] !== array_diff($request->items, array_keys($all->items))) {
            throw Problem::field('/items', 'unknown', 'items.no-such-item');
        }
        if (null !== $request->named) {
            return $all->sentences[$request->named]
                ?? throw Problem::field('/named', 'unknown', 'items.no-such-name');
        }
        $errors = new FieldErrors();
        $sentence = $this->sentence($access, $request->visibility ?? [], 'visibility', $errors);
        $errors->check();

        return $sentence ?? throw new \LogicException('Something was wrong with it.');
    }

    /** @param array<array-key, mixed> $data */
    private function sentence(SiteAccess $access, array $data, string $field, FieldErrors $errors): ?Visibility
    {
        try {
            $sentence = VisibilityCodec::read($data, $access->zone());
        } catch (WrongSentence $wrong) {
            $errors->add($field, $wrong->problem, 'items.'.$wrong->problem);

            return null;
        }
        if ($sentence->size() > Visibility::MOST_PARTS) {
            $errors->add($field, 'too-deep', 'items.too-deep');
        }
        if ([] !== array_diff($sentence->named(VisibilityKind::Sections), array_keys($access->site->sections))) {
            $errors->add($field, 'no-such-section', 'shared.no-such-section');
        }
        $groups = $sentence->named(VisibilityKind::Groups);
        $ids = array_values(preg_grep('/^'.Id::PATTERN.'$/D', $groups) ?: []);
        if ([] !== array_diff($groups, $this->items->groups($access->site->id, $ids))) {
            $errors->add($field, 'no-such-group', 'items.no-such-group');
        }
        foreach ($sentence->named(VisibilityKind::Roles) as $role) {
            null !== $this->roles->book()->find($role) || $errors->add($field, 'no-such-role', 'shared.no-such-role');
        }

        return $sentence;
    }

    /**
     * @param array<string, array{before: array<array-key, mixed>, after: array<array-key, mixed>}> $changes by item
     * @param array<string, mixed>                                                                  $more
     */
    private function put(SiteAccess $access, SiteItems $all, array $changes, string $code, array $more = []): int
    {
        if ([] === $changes) {
            return 0;
        }
        foreach ($changes as $item => $each) {
            $named = $each['after']['named'] ?? null;
            $sentence = $each['after']['sentence'] ?? null;
            $this->kept->keep(
                $access->site->id,
                $item,
                \is_string($named) ? $all->named[$named] ?? null : null,
                \is_array($sentence) ? array_combine(array_map(strval(...), array_keys($sentence)), $sentence) : null,
            );
        }
        $site = $this->sites->find($access->site->id) ?? throw Problem::notFound('site');
        ++$site->version;
        $this->kept->flush();
        $titles = array_map(static fn(string $id): string => $all->items[$id]->title, array_keys($changes));

        return $this->history->write($site->id, $access->caller, new Happening($code, [
            'items' => $changes,
            'count' => \count($changes),
            'name' => $titles[0],
            'before' => [],
            ...$more,
        ]));
    }

    /** @return array<string, mixed> who sees an item, as the history keeps it */
    private static function state(SiteItems $all, string $item): array
    {
        $kept = $all->kept[$item] ?? null;

        return null === $kept?->named
            ? ['sentence' => $kept->sentence ?? ['kind' => 'everybody']]
            : ['named' => $kept->named->id];
    }
}
