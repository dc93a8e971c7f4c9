<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Entity\KeptAnswer;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Keeping;
use MintDoor\Shared\Resealed;
use MintDoor\Shared\Reseals;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sealer;
use Symfony\Contracts\Service\Attribute\Required;

/**
 * Answers to requests that changed something, by whoever sent it and the key they gave it. By hand: taking a row is
 * what makes a twin that runs at the same time wait.
 *
 * @extends BaseRepository<KeptAnswer>
 */
final class KeptAnswers extends BaseRepository implements Forgets, Reseals
{
    protected const ENTITY = KeptAnswer::class;

    private const SEALED_FOR = 'idempotency';

    private Sealer $sealer;

    #[Required]
    public function setSealer(Sealer $sealer): void
    {
        $this->sealer = $sealer;
    }

    /** @return bool whether it was free */
    public function take(string $person, string $key, string $bodyHash, int $now): bool
    {
        $sql = 'INSERT IGNORE INTO idempotency (person_id, id, body_hash, made_at) VALUES (?, ?, ?, ?)';

        return 1 === $this->execute($sql, [Id::binary($person), $key, $bodyHash, Instant::toSql($now)]);
    }

    /** What was answered, locked until the transaction ends. */
    public function locked(string $person, string $key): KeptAnswer
    {
        $row =
            $this->row(
                <<<'SQL'
                    SELECT body_hash, status, etag, answer, made_at
                    FROM idempotency
                    WHERE person_id = ? AND id = ?
                    FOR UPDATE
                    SQL,
                [Id::binary($person), $key],
            )
            ?? new Row([]);

        return new KeptAnswer(
            $person,
            $key,
            $row->string('body_hash'),
            $row->instant('made_at'),
            $row->int('status'),
            $row->stringOrNull('etag'),
            (string) $this->sealer->openText($row->string('answer'), self::SEALED_FOR),
        );
    }

    public function keep(string $person, string $key, int $status, ?string $etag, string $answer): void
    {
        $this->execute('UPDATE idempotency SET status = ?, etag = ?, answer = ? WHERE person_id = ? AND id = ?', [
            $status,
            $etag,
            $this->sealer->sealText($answer, self::SEALED_FOR),
            Id::binary($person),
            $key,
        ]);
    }

    public function dropAllOf(string $person): void
    {
        $this->execute('DELETE FROM idempotency WHERE person_id = ?', [Id::binary($person)]);
    }

    /**
     * Empties answers that say something which is to be said no more.
     *
     * @param \Closure(string): bool $says whether an answer does
     */
    public function emptyWhere(\Closure $says): void
    {
        foreach ($this->all() as $row) {
            if ($says((string) $this->sealer->openText($row->string('answer'), self::SEALED_FOR))) {
                $this->write($row, $this->sealer->sealText('{}', self::SEALED_FOR));
            }
        }
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute('DELETE FROM idempotency WHERE made_at < ?', [Instant::toSql($keeping->answersFrom)]);
    }

    public function reseal(): Resealed
    {
        $anew = 0;
        foreach ($this->all() as $row) {
            $text = $this->sealer->resealedText($row->string('answer'), self::SEALED_FOR);
            if (null !== $text) {
                $this->write($row, $text);
                ++$anew;
            }
        }

        return new Resealed('answers', $anew);
    }

    /** @return \Traversable<int, Row> */
    private function all(): \Traversable
    {
        return $this->eachRow('SELECT person_id, id, answer FROM idempotency WHERE answer IS NOT NULL');
    }

    private function write(Row $row, string $answer): void
    {
        $this->execute('UPDATE idempotency SET answer = ? WHERE person_id = ? AND id = ?', [
            $answer,
            $row->string('person_id'),
            $row->string('id'),
        ]);
    }
}
