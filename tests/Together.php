<?php

declare(strict_types=1);

namespace MintDoor\Tests;

/** Many requests at once, to what listens on `self::PORT`. */
trait Together
{
    /**
     * Requests that are sent at the same moment.
     *
     * @param list<array{string, string, string, 3?: ?array<string, mixed>, 4?: list<string>}> $requests session cookie,
     *        method, path, body and headers
     *
     * @return list<array{int, array<string, mixed>, float}> status, answer and seconds, in the same order
     */
    protected function together(array $requests): array
    {
        $all = curl_multi_init();
        $handles = [];
        foreach ($requests as $request) {
            $handle = curl_init('http://127.0.0.1:'.self::PORT.'/api/v1'.$request[2]);
            \assert(false !== $handle);
            $body = $request[3] ?? null;
            curl_setopt_array(
                $handle,
                (null === $body
                    ? []
                    : [
                        \CURLOPT_POSTFIELDS => json_encode($body, \JSON_THROW_ON_ERROR),
                    ]) + [
                        \CURLOPT_RETURNTRANSFER => true,
                        \CURLOPT_TIMEOUT => 60,
                        \CURLOPT_CUSTOMREQUEST => $request[1] ?: 'GET',
                        \CURLOPT_COOKIE => 'mint_door='.$request[0],
                        \CURLOPT_HTTPHEADER => [
                            'X-Mint-Door: 1',
                            'Content-Type: application/json',
                            ...$request[4] ?? [],
                        ],
                    ],
            );
            curl_multi_add_handle($all, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all, 0.1);
        } while ($running > 0);

        return array_map(static function (\CurlHandle $handle): array {
            $answer = json_decode((string) curl_multi_getcontent($handle), true);

            return [
                (int) curl_getinfo($handle, \CURLINFO_RESPONSE_CODE),
                \is_array($answer) ? $answer : [],
                curl_getinfo($handle, \CURLINFO_TOTAL_TIME),
            ];
        }, $handles);
    }
}
