// The code comes after the #, which a browser never sends: it stands in no log.
const field = document.getElementById('code')
const name = document.getElementById('name')
const problem = document.getElementById('problem')
const button = document.getElementById('send')
// Code, job, and what is taken along from where the laptop was before.
const [scanned = '', to = '', carried = ''] = location.hash.slice(1).split('/')
history.replaceState(null, '', '/join')
field.value = scanned

async function join() {
  button.disabled = true
  problem.textContent = ''
  try {
    const answer = await fetch('/join', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code: field.value, name: name.value }),
    })
    if (answer.ok) {
      const page = carried ? `work?side=planned#carried=${carried}` : 'visit'
      location.replace(/^[0-9a-f]+$/.test(to) ? `/job/${to}/${page}` : '/')
      return
    }
    problem.textContent = (await answer.json()).title
  } catch {
    problem.textContent = 'The laptop does not answer. Is the phone in the same network, and is Altrin still running?'
  }
  button.disabled = false
  field.focus()
  field.select()
}

document.getElementById('join').addEventListener('submit', (event) => {
  event.preventDefault()
  void join()
})
if (scanned) name.focus()
else field.focus()
