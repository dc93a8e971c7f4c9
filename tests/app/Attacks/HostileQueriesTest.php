<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\OpenPaths;
use MintDoor\Tests\App\ApiTestCase;
use MintDoor\Tests\App\Contract;
use PHPUnit\Framework\Attributes\Group;

/** All that may stand in an address, with what does not belong there: nothing answers with an error of ours. */
#[Group('hostile')]
final class HostileQueriesTest extends ApiTestCase
{
    private const VALUES = [
        '',
        ' ',
        'ü',
        "\u{1D11E}",
        "\u{202E}abc",
        "a\0b",
        "\xff\xfe",
        '%',
        '_',
        '\\',
        "'; DROP TABLE person; --",
        '-1',
        '1.5',
        '99999999999999999999',
        '9999-99-99',
        '00000000-0000-0000-0000-000000000000',
        'ſeite',
    ];

    public function testNothingFallsOverWhateverAnAddressSays(): void
    {
        $wrong = [];
        $sent = 0;
        $values = ['{site}' => $this->ids['site'], '{person}' => $this->ids['cotutor'], '{kind}' => 'let-in'];
        foreach (Contract::get()->queries() as [$path, $names]) {
            $path = (string) preg_replace('/\{\w+\}/', $this->ids['colleague'], strtr($path, $values));
            $this->client->getCookieJar()->clear();
            if (!OpenPaths::has('/api/v1'.$path)) {
                $this->client->loginUser($this->service(CallerProvider::class)->loadUserByIdentifier('admin'), 'api');
            }
            foreach ($names as $name) {
                foreach ([...self::VALUES, str_repeat('x', 3_000), ['a', 'b'], ['k' => ['x' => '1']]] as $value) {
                    $query = http_build_query([$name => $value]);
                    $this->client->request('GET', "/api/v1$path?$query", server: ['HTTP_X_MINT_DOOR' => '1']);
                    ++$sent;
                    $status = $this->client->getResponse()->getStatusCode();
                    if ($status >= 500) {
                        $wrong[] = "$status $path?".mb_substr($query, 0, 80);
                    }
                }
            }
        }
        self::assertSame([], $wrong, \count($wrong)." of $sent");
        self::assertGreaterThan(1_000, $sent);
    }
}
