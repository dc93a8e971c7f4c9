<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Core\Roster\Mark;
use MintDoor\Core\Roster\MarkKind;
use MintDoor\Core\Roster\Pass;
use MintDoor\Core\Sheets\Effect;
use MintDoor\Core\Sheets\EffectKind;
use MintDoor\Hall\Id;
use MintDoor\Hall\Instant;
use MintDoor\Roster\Entity\MarkRecord;
use MintDoor\Roster\Entity\PassRecord;

/** Carries out effects on what is stored. Runs inside a transaction, under the site's lock. */
final readonly class Effects
{
    public function __construct(private Connection $db)
    {
    }

    /**
     * @param list<Effect> $effects
     * @param ?string      $note    why, kept with every mark that is put on
     */
    public function store(EntityManagerInterface $entities, string $siteId, string $personId, array $effects, string $actorId, ?string $note = null): void
    {
        foreach ($effects as $effect) {
            if (EffectKind::GivePass === $effect->kind && null !== $effect->pass) {
                $this->givePass($entities, $siteId, $personId, $effect->pass, $actorId);
            } elseif (EffectKind::PutMark === $effect->kind && null !== $effect->mark) {
                $this->putMark($entities, $siteId, $personId, $effect->passId, $effect->mark, $actorId, $note);
            } elseif (null !== $effect->mark) {
                $this->endMark($effect->passId, $effect->mark, $effect->at, $actorId);
            }
        }
        $entities->flush();
    }

    private function givePass(EntityManagerInterface $entities, string $siteId, string $personId, Pass $pass, string $actorId): void
    {
        $this->db->executeStatement('UPDATE pass SET live = NULL WHERE door_id = ? AND person_id = ? AND live = 1', [Id::binary($pass->doorId), Id::binary($personId)]);
        $entities->persist(new PassRecord(
            $pass->id, $siteId, $personId, $pass->doorId, $pass->role, $pass->givenAt, $pass->window->from, $pass->window->until,
            $pass->acceptedAt, $pass->since, $pass->section, $actorId,
        ));
    }

    private function putMark(EntityManagerInterface $entities, string $siteId, string $personId, ?string $passId, Mark $mark, string $actorId, ?string $note): void
    {
        if (null !== $passId && MarkKind::Undone === $mark->kind) {
            $this->db->executeStatement('UPDATE pass SET live = NULL WHERE id = ?', [Id::binary($passId)]);
        }
        $entities->persist(new MarkRecord($mark->id, $siteId, $personId, $mark->kind->value, $mark->window->from, $mark->window->until, $mark->origin, $passId, $mark->role, $actorId, null, '' === trim((string) $note) ? null : trim((string) $note), $mark->dates?->from, $mark->dates?->until));
    }

    private function endMark(?string $passId, Mark $mark, int $at, string $actorId): void
    {
        $this->db->executeStatement(
            'UPDATE mark SET until_at = GREATEST(from_at, ?), ended_by = ? WHERE origin_id = ? AND until_at > ?',
            [Instant::toSql($at), Id::binary($actorId), Id::binary($mark->origin), Instant::toSql($at)],
        );
        if (null !== $passId && MarkKind::Undone === $mark->kind) {
            $this->db->executeStatement('UPDATE pass SET live = 1 WHERE id = ?', [Id::binary($passId)]);
        }
    }
}
