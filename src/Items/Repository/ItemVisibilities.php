<?php

declare(strict_types=1);

namespace MintDoor\Items\Repository;

use MintDoor\Items\Entity\ItemVisibility;
use MintDoor\Items\Entity\NamedVisibility;
use MintDoor\Shared\BaseRepository;
use MintDoor\Sites\Entity\Site;

/** @extends BaseRepository<ItemVisibility> */
final class ItemVisibilities extends BaseRepository
{
    protected const ENTITY = ItemVisibility::class;

    /** @return array<string, ItemVisibility> of a site, by item */
    public function of(string $site): array
    {
        $class = ItemVisibility::class;
        $query = $this->dql("SELECT v, n FROM $class v LEFT JOIN v.named n WHERE v.site = :site", ['site' => $site]);
        $kept = [];
        foreach ($query->getResult() as $each) {
            \assert($each instanceof ItemVisibility);
            $kept[$each->item] = $each;
        }

        return $kept;
    }

    /**
     * Keeps who sees an item; everybody is what is not kept.
     *
     * @param ?array<string, mixed> $sentence
     */
    public function keep(string $site, string $item, ?NamedVisibility $named, ?array $sentence): void
    {
        $kept = $this->findOneBy(['site' => $site, 'item' => $item]);
        if (null === $named && (null === $sentence || ['kind' => 'everybody'] === $sentence)) {
            null === $kept || $this->remove($kept);

            return;
        }
        if (null === $kept) {
            $kept = new ItemVisibility($this->reference(Site::class, $site), $item);
            $this->add($kept);
        }
        $kept->named = $named;
        $kept->sentence = null === $named ? $sentence : null;
    }
}
